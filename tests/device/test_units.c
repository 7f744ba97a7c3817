/* Hardware of several nodes: which are one device, which node a sheet reads, what motion sensors
 * and touch pads beside a pad say, and where axes rest that no sheet knows. */
#include "paper.h"
#include <math.h>
#include <stdlib.h>
#include <string.h>

#define STICK(code)                                                                                \
    {                                                                                              \
        ABS(code, -32768, 32767)                                                                   \
    }
#define PULL(code)                                                                                 \
    {                                                                                              \
        ABS(code, 0, 255)                                                                          \
    }
#define BUTTON(code)                                                                               \
    {                                                                                              \
        BTN(code)                                                                                  \
    }

/* A pad as most are: sticks, triggers on Z and RZ, a hat for its d-pad. */
static const paper_signal pad_signals[] = {
    STICK(0),      STICK(1),      PULL(2),       STICK(3),      STICK(4),      PULL(5),
    {HAT(0x10)},   {HAT(0x11)},   BUTTON(0x130), BUTTON(0x131), BUTTON(0x133), BUTTON(0x134),
    BUTTON(0x136), BUTTON(0x137), BUTTON(0x138), BUTTON(0x139)};
enum { PAD_X, PAD_Y, PAD_Z, PAD_RX, PAD_RY, PAD_RZ, PAD_HAT_X, PAD_HAT_Y, PAD_SOUTH };

#define SENSED(code, resolution)                                                                   \
    {                                                                                              \
        EV(3, code), NPLUG_SPACE_EVDEV, NPLUG_NATURE_AXIS, -32768, 32767, SILENT, resolution, 0, 0 \
    }
static const paper_signal motion_signals[] = {SENSED(0, 8192), SENSED(1, 8192), SENSED(2, 8192),
                                              SENSED(3, 1024), SENSED(4, 1024), SENSED(5, 1024)};

static const paper_signal touch_signals[] = {
    {EV(3, 0x39), NPLUG_SPACE_EVDEV, NPLUG_NATURE_CONTACT, 0, 65535, NO},
    {EV(3, 0x35), NPLUG_SPACE_EVDEV, NPLUG_NATURE_POSITION, 0, 1919, SILENT, 44, 0, 0},
    {EV(3, 0x36), NPLUG_SPACE_EVDEV, NPLUG_NATURE_POSITION, 0, 941, SILENT, 44, 0, 0},
    BUTTON(0x110),
    BUTTON(0x14a)};

static const paper_signal mouse_signals[] = {{REL(0)}, {REL(1)}, BUTTON(0x110)};

static const paper_signal media_signals[] = {BUTTON(0x71), BUTTON(0x72)};

static paper_signal key_signals[40]; /* the letters' kernel codes, made by open_units */

enum { PAD, MOTION, TOUCH, KEYBOARD, MOUSE, MEDIA, SORTS };

#define NODE(signals, properties)                                                                  \
    {                                                                                              \
        3, 0x77, 0x0001, 0, properties, NULL, NULL, NULL, signals, COUNT_OF(signals)               \
    }
static const paper_node sorts[SORTS] = {NODE(pad_signals, 0),
                                        NODE(motion_signals, NPLUG_PROPERTY_ACCELEROMETER),
                                        NODE(touch_signals, NPLUG_PROPERTY_POINTER),
                                        NODE(key_signals, 0),
                                        NODE(mouse_signals, 0),
                                        NODE(media_signals, 0)};

static void open_units(paper_rig *p)
{
    for (uint32_t i = 0; i < COUNT_OF(key_signals); i++)
        key_signals[i] = (paper_signal){BTN(16 + i)};
    open_paper(p);
}

static void plug(paper_rig *p, nplug_time time, uint32_t number, unsigned sort, const char *serial,
                 const char *socket)
{
    paper_node node = sorts[sort];

    node.serial = serial;
    node.socket = socket;
    plug_paper_node(p, time, number, &node);
}

static float value_of(const paper_rig *p, nplug_device device, const char *control)
{
    return nplug_control_value(p->rig.nest, device, nplug_control_named(control)).x;
}

static bool has_control(const paper_rig *p, nplug_device device, const char *control)
{
    nplug_control wanted = nplug_control_named(control);
    NPLUG_SIZED(nplug_control_facts, info);

    for (uint32_t i = 0; nplug_control_info(p->rig.nest, device, i, &info) == NPLUG_OK; i++)
        if (info.control == wanted) return true;
    return false;
}

static nplug_device device_of_kind(const paper_rig *p, nplug_device_kind kind)
{
    for (uint32_t i = 0; i < nplug_device_count(p->rig.nest); i++) {
        nplug_device device = nplug_device_at(p->rig.nest, i);
        if (look_paper(p, device).kind == kind) return device;
    }
    return 0;
}

/* --- which nodes are one device --------------------------------------------------------------- */

/* What serial numbers and sockets say of two nodes of one vendor and product. */
static const struct {
    const char *serial[2], *socket[2];
    bool one;
} told[] = {
    {{"W-7", "W-7"}, {"quay-1", "quay-1"}, true},  {{"W-7", "W-7"}, {"quay-1", NULL}, true},
    {{"W-7", "W-7"}, {NULL, NULL}, true},          {{NULL, "W-7"}, {"quay-1", "quay-1"}, true},
    {{NULL, NULL}, {"quay-1", "quay-1"}, true},    {{NULL, NULL}, {NULL, NULL}, false},
    {{"W-7", "W-8"}, {"quay-1", "quay-1"}, false}, {{"W-7", "W-7"}, {"quay-1", "quay-2"}, false},
    {{"W-7", NULL}, {NULL, "quay-1"}, false},
};

TESTS(nodes_are_one_unit_by_serial_number_or_by_socket_in_either_order, COUNT_OF(told))
{
    for (unsigned first = 0; first < 2; first++) {
        paper_rig p;
        open_units(&p);
        for (unsigned n = 0; n < 2; n++) {
            unsigned sort = n == first ? PAD : MOTION;
            plug(&p, n, n + 1, sort, told[_i].serial[sort == PAD], told[_i].socket[sort == PAD]);
        }
        rig_step(&p.rig, 10);
        ck_assert_uint_eq(nplug_device_count(p.rig.nest), told[_i].one ? 1 : 2);
        ck_assert_uint_ne(device_of_kind(&p, NPLUG_KIND_PAD), 0);
        rig_close(&p.rig);
    }
}

/* Of all pairs of nodes with one unit key, plainly: what could each be a device stays two; touch
 * pads and motion sensors go with pads and with each other, what looks like nothing with
 * everything. */
static bool go_together(unsigned a, unsigned b)
{
    bool whole_a = a == PAD || a == KEYBOARD || a == MOUSE;
    bool whole_b = b == PAD || b == KEYBOARD || b == MOUSE;

    if (whole_a && whole_b) return false;
    if (a == MEDIA || b == MEDIA) return true;
    return !(a == KEYBOARD || a == MOUSE || b == KEYBOARD || b == MOUSE);
}

TEST(what_could_each_be_a_device_is_never_one)
{
    for (unsigned a = 0; a < SORTS; a++)
        for (unsigned b = 0; b < SORTS; b++) {
            paper_node one = sorts[a], other = sorts[b];
            paper_rig p;
            open_units(&p);
            one.unit = other.unit = "unit-7";
            plug_paper_node(&p, 0, 1, &one);
            plug_paper_node(&p, 1, 2, &other);
            rig_step(&p.rig, 10);
            ck_assert_msg(nplug_device_count(p.rig.nest) == (go_together(a, b) ? 1 : 2),
                          "nodes of sort %u and %u", a, b);
            rig_close(&p.rig);
        }
}

/* Five nodes, come and gone in random orders: the device is the same as long as one is here, it is
 * a pad exactly while its pad's node is, and what is left goes on. */
TESTS(a_unit_of_five_nodes_comes_and_goes_in_any_order, 10)
{
    static const unsigned parts[5] = {PAD, MOTION, TOUCH, MEDIA, MOTION};
    bool here[5] = {false};
    nplug_device device = 0;
    uint32_t random = (uint32_t)_i + 1, count = 0;
    paper_rig p;

    open_units(&p);
    for (nplug_time time = 1000; time < 200000; time += 1000) {
        unsigned n = (random = random * 1664525u + 1013904223u) >> 16;
        n %= 5;
        if (here[n])
            push_kind(p.port.ring, time, n + 1, NPLUG_REPORT_DEPART);
        else
            plug(&p, time, n + 1, parts[n], "W-7", NULL);
        here[n] = !here[n];
        count = count + (here[n] ? 1 : 0) - (here[n] ? 0 : 1);
        rig_step(&p.rig, time);
        ck_assert_uint_eq(nplug_device_count(p.rig.nest), count != 0);
        if (count == 0) device = 0;
        if (count == 0) continue;
        if (device) ck_assert_uint_eq(nplug_device_at(p.rig.nest, 0), device);
        device = nplug_device_at(p.rig.nest, 0);
        ck_assert_int_eq(look_paper(&p, device).kind == NPLUG_KIND_PAD, here[0]);
        ck_assert_int_eq(has_control(&p, device, "pad:gyro"), here[1] || here[4]);
        ck_assert_int_eq(has_control(&p, device, "touch:contact-1"), here[2]);
    }
    rig_close(&p.rig);
}

/* --- which node is read ----------------------------------------------------------------------- */

/* Neither sensors nor fingers on a touch pad are use: nobody joins by them. */
TEST(what_lies_beside_a_pad_is_never_use)
{
    nplug_game game = harbour_for(2);
    paper_node pad = sorts[PAD], touch = sorts[TOUCH];
    nplug_device device;
    paper_rig p;

    memset(&p, 0, sizeof p);
    rig_open(&p.rig, &game, NULL);
    nplug_attach(p.rig.nest, &hand_table, &p.port);
    pad.unit = touch.unit = "unit-7";
    plug_paper_node(&p, 0, 1, &pad);
    plug_paper_node(&p, 0, 2, &touch);
    say_paper(&p, 1000, 2, 0, 5, true);
    say_paper(&p, 1000, 2, 1, 960, false);
    rig_step(&p.rig, 2000);
    device = nplug_device_at(p.rig.nest, 0);
    ck_assert_float_eq(value_of(&p, device, "touch:contact-down-1"), 1.0f);
    ck_assert_float_eq_tol(value_of(&p, device, "touch:contact-1"), 0.5f, 0.001f);
    ck_assert(!nplug_player_seated(p.rig.nest, 1));
    say_paper(&p, 3000, 2, 3, 1, false); /* the touch pad pressed is a button of the pad */
    rig_step(&p.rig, 4000);
    ck_assert_float_eq(value_of(&p, device, "pad:touchpad"), 1.0f);
    ck_assert(nplug_player_seated(p.rig.nest, 1));
    rig_close(&p.rig);
}

/* Somebody who learns a pad holds it in their hands: its sensors are never quiet, and are not asked
 * for; the touch pad's button is another node's, which the sheet names. */
TEST(a_pad_with_sensors_is_learnt)
{
    static char block[sizeof(max_align_t) * 8192];
    NPLUG_SIZED(nplug_learn_question, question);
    const nplug_sheet *sheet;
    nplug_learner *learner;
    nplug_time time = 1000;
    bool touched = false;
    paper_rig p;

    open_units(&p);
    plug(&p, 0, 1, PAD, "W-7", NULL);
    plug(&p, 1, 2, MOTION, "W-7", NULL);
    plug(&p, 2, 3, TOUCH, "W-7", NULL);
    rig_step(&p.rig, 10);
    ck_assert_uint_le(nplug_learner_memory_needed(), sizeof block);
    learner = nplug_learner_open(p.rig.nest, nplug_device_at(p.rig.nest, 0), NPLUG_KIND_PAD, block,
                                 sizeof block);
    ck_assert_ptr_nonnull(learner);
    say_paper(&p, 20, 1, PAD_X, 30000, false);
    for (int turn = 0;
         turn < 4000 && nplug_learner_step(learner, p.rig.nest) != NPLUG_LEARN_PHASE_DONE; turn++) {
        nplug_learner_info(learner, &question);
        time += 20000;
        if (turn == 20) say_paper(&p, time, 1, PAD_X, 0, false);
        for (uint16_t s = 0; s < 6; s++)
            say_paper(&p, time, 2, s, turn % 2 ? 9000 : -9000, s < 5);
        if (question.control == nplug_control_from_name("pad:touchpad", 12) && turn % 40 == 0)
            say_paper(&p, time, 3, 3, 1, false);
        else if (question.control == nplug_control_from_name("pad:touchpad", 12))
            say_paper(&p, time, 3, 3, 0, false);
        else if (question.phase == NPLUG_LEARN_PHASE_MOVE && turn % 40 == 39)
            nplug_learner_skip(learner);
        rig_step(&p.rig, time);
    }
    sheet = nplug_learner_sheet(learner);
    ck_assert_ptr_nonnull(sheet);
    ck_assert_int_eq(sheet->rules[0].kind, NPLUG_KIND_PAD);
    for (uint32_t i = 0; i < sheet->wire_count; i++) {
        ck_assert_int_ne(sheet->wires[i].node, NPLUG_KIND_MOTION);
        touched |= sheet->wires[i].node == NPLUG_KIND_TOUCH;
    }
    ck_assert(touched);
    rig_close(&p.rig);
}

/* --- where axes rest -------------------------------------------------------------------------- */

/* One axis of a generic sheet that lies somewhere when it is plugged in. */
static const struct {
    paper_signal signals[8];
    const char *control;
    int32_t lies, down; /* where it lies when it comes, and where it is pressed to */
    float before, after;
    bool other_end;
} lying[] = {
    {{{ABS(8, 0, 65535)}, PULL(9), PULL(10)}, "wheel:accelerator", 255, 0, 0.0f, 1.0f, true},
    {{{ABS(8, 0, 65535)}, PULL(9), PULL(10)}, "wheel:accelerator", 3, 255, 0.0118f, 1.0f, false},
    {{STICK(0), PULL(2), PULL(5), BUTTON(0x150)}, "wheel:accelerator", 1, 255, 0.0f, 0.996f, true},
    {{STICK(0), PULL(2), PULL(5), STICK(3), STICK(4), BUTTON(0x130)},
     "pad:trigger-left",
     250,
     0,
     0.0f,
     1.0f,
     true},
};

TESTS(what_lies_at_its_other_end_rests_there, COUNT_OF(lying))
{
    paper_signal signals[8];
    NPLUG_SIZED(nplug_control_facts, info);
    nplug_device device;
    uint16_t count = 0;
    paper_rig p;

    memcpy(signals, lying[_i].signals, sizeof signals);
    while (count < 8 && signals[count].code)
        count++;
    if (signals[0].code == EV(3, 0)) signals[0].says = 0;
    signals[1].says = lying[_i].lies;
    open_paper(&p);
    device = plug_paper(&p, 3, 1, 1, 0, signals, count);
    ck_assert_float_eq_tol(value_of(&p, device, lying[_i].control), lying[_i].before, 0.02f);
    for (uint32_t i = 0; nplug_control_info(p.rig.nest, device, i, &info) == NPLUG_OK; i++)
        if (info.control == nplug_control_named(lying[_i].control))
            ck_assert_int_eq(info.lies, lying[_i].other_end);
    for (int times = 0; times < 3; times++) {
        say(&p, 100000 + 100000 * (nplug_time)times, 1, lying[_i].down);
        rig_step(&p.rig, 100000 + 100000 * (nplug_time)times);
        ck_assert_float_eq_tol(value_of(&p, device, lying[_i].control), lying[_i].after, 0.02f);
        say(&p, 150000 + 100000 * (nplug_time)times, 1, lying[_i].lies);
        rig_step(&p.rig, 150000 + 100000 * (nplug_time)times);
        ck_assert_float_eq_tol(value_of(&p, device, lying[_i].control), lying[_i].before, 0.02f);
    }
    rig_close(&p.rig);
}

/* A wheel that says nothing until it is opened: its first report says where all of it lies.  One
 * that says 0 until it is moved is pressed by its first full press, as before. */
TESTS(the_first_whole_report_tells_where_pedals_rest, 2)
{
    static const paper_signal wheel[] = {{ABS(8, 0, 65535)}, PULL(9), PULL(10), PULL(2)};
    nplug_device device;
    paper_rig p;

    open_paper(&p);
    device = plug_paper(&p, 3, 1, 1, 0, wheel, 4);
    if (_i == 0) {
        say_paper(&p, 1000, 1, 0, 32700, true);
        say_paper(&p, 1000, 1, 1, 255, true);
        say_paper(&p, 1000, 1, 2, 255, true);
    }
    say_paper(&p, 1000, 1, 3, 255, false);
    rig_step(&p.rig, 2000);
    ck_assert_float_eq(value_of(&p, device, "wheel:accelerator"), 0.0f);
    ck_assert_float_eq(value_of(&p, device, "wheel:clutch"), _i == 0 ? 0.0f : 1.0f);
    say(&p, 3000, 1, _i == 0 ? 0 : 255);
    rig_step(&p.rig, 3000);
    ck_assert_float_eq(value_of(&p, device, "wheel:accelerator"), 1.0f);
    rig_close(&p.rig);
}

/* Steps 60 times a second up to a time. */
static void play_to(paper_rig *p, nplug_time from, nplug_time to)
{
    for (nplug_time time = from; time <= to; time += 16667)
        rig_step(&p->rig, time);
    rig_step(&p->rig, to);
}

TESTS(a_stick_a_few_counts_off_is_0_within_a_second_of_quiet, 4)
{
    static const int32_t off[] = {121, 131, 136, 120};
    paper_signal signals[] = {{EV(3, 0), NPLUG_SPACE_EVDEV, NPLUG_NATURE_AXIS, 0, 255, 0, 0, 0, 0},
                              {EV(3, 1), NPLUG_SPACE_EVDEV, NPLUG_NATURE_AXIS, 0, 255, 0, 0, 0, 0},
                              BUTTON(0x130)};
    nplug_device device;
    paper_rig p;

    signals[0].says = off[_i];
    signals[1].says = 128;
    open_paper(&p);
    device = plug_paper(&p, 3, 1, 1, 0, signals, 3);
    play_to(&p, 1, 1000000);
    ck_assert_float_eq(value_of(&p, device, "pad:stick-left"), 0.0f);
    say(&p, 1100000, 0, 255);
    rig_step(&p.rig, 1100000);
    ck_assert_float_eq(value_of(&p, device, "pad:stick-left"), 1.0f);
    rig_close(&p.rig);
}

/* It rests a quarter of its way off, heard by nobody meanwhile, until a hand moves it. */
TEST(a_stick_that_lies_far_off_rests_there_until_it_is_moved)
{
    static const paper_signal signals[] = {
        {EV(3, 0), NPLUG_SPACE_EVDEV, NPLUG_NATURE_AXIS, -32768, 32767, 8192, 0, 0, 0},
        STICK(1),
        BUTTON(0x130)};
    NPLUG_SIZED(nplug_control_facts, info);
    nplug_device device;
    paper_rig p;

    open_paper(&p);
    device = plug_paper(&p, 3, 1, 1, 0, signals, 3);
    rig_step(&p.rig, 1000);
    ck_assert_float_eq(nplug_vector(p.rig.nest, 1, STEER).x, 0.0f);
    play_to(&p, 20000, 1100000);
    ck_assert_float_eq(value_of(&p, device, "pad:stick-left"), 0.0f);
    nplug_control_info(p.rig.nest, device, 0, &info);
    ck_assert(info.lies);
    say(&p, 1200000, 0, 32767);
    play_to(&p, 1200000, 1300000);
    ck_assert_float_eq(nplug_vector(p.rig.nest, 1, STEER).x, 1.0f);
    say(&p, 1400000, 0, 8192);
    play_to(&p, 1400000, 3000000);
    ck_assert_float_eq_tol(value_of(&p, device, "pad:stick-left"), 0.25f, 0.001f);
    nplug_control_info(p.rig.nest, device, 0, &info);
    ck_assert(!info.lies);
    rig_close(&p.rig);
}

/* --- contacts --------------------------------------------------------------------------------- */

/* One finger takes another's place in its slot: the first has ended. */
TEST(a_contact_replaced_without_an_end_is_an_end_and_a_begin)
{
    static const nplug_action_def touch[] = {
        {"grab", NPLUG_ACTION_BUTTON, "touch:contact-down-1", 0}};
    nplug_game game = nplug_game_for_one("touch", touch, 1);
    paper_rig p;

    memset(&p, 0, sizeof p);
    rig_open(&p.rig, &game, NULL);
    nplug_attach(p.rig.nest, &hand_table, &p.port);
    plug_paper_node(&p, 0, 1, &sorts[TOUCH]);
    rig_step(&p.rig, 0);
    for (int32_t finger = 1; finger <= 40; finger++)
        say(&p, 1000u * (nplug_time)finger, 0, finger);
    rig_step(&p.rig, 50000);
    ck_assert_uint_eq(nplug_presses(p.rig.nest, 1, 0), 40);
    ck_assert_uint_eq(nplug_releases(p.rig.nest, 1, 0), 39);
    ck_assert(nplug_held(p.rig.nest, 1, 0));
    rig_close(&p.rig);
}

/* --- wrong hardware --------------------------------------------------------------------------- */

/* Axes without a width, a rest outside of the range, one code twice: values stay in their range. */
TEST(wrong_hardware_gives_values_in_range)
{
    static const paper_signal signals[] = {
        {ABS(0, 5, 5)},    {ABS(1, 100, -100)}, {ABS(2, 0, 0)},   {ABS(5, INT32_MIN, INT32_MAX)},
        {ABS(3, -10, 10)}, {ABS(3, 0, 100)},    {ABS(4, 0, 255)}, BUTTON(0x130),
        BUTTON(0x130),     {HAT(0x10)}};
    static const int32_t raw[] = {INT32_MIN, -1000, -1, 0, 1, 5, 255, 1000, INT32_MAX};
    nplug_device device;
    nplug_time time = 0;
    paper_rig p;

    open_paper(&p);
    device = plug_paper(&p, 3, 1, 1, 0, signals, COUNT_OF(signals));
    for (uint16_t s = 0; s < COUNT_OF(signals); s++)
        for (unsigned v = 0; v < COUNT_OF(raw); v++) {
            NPLUG_SIZED(nplug_control_facts, info);
            say(&p, time += 1000, s, raw[v]);
            rig_step(&p.rig, time);
            for (uint32_t i = 0; nplug_control_info(p.rig.nest, device, i, &info) == NPLUG_OK; i++)
                ck_assert(fabsf(info.value.x) <= 1.0f && fabsf(info.value.y) <= 1.0f);
        }
    rig_close(&p.rig);
}

/* Every number of every enum has a word, each another one, and what is none is unknown. */
TESTS(every_number_has_a_word, 27)
{
    static const struct {
        const char *(*name)(uint32_t);
        uint32_t last;
    } rows[] = {{nplug_action_kind_name, NPLUG_ACTION_POSE},
                {nplug_merge_name, NPLUG_MERGE_ADDED},
                {nplug_opposite_name, NPLUG_OPPOSITE_HIGH},
                {nplug_keep_name, NPLUG_KEEP_ALL},
                {nplug_seats_name, NPLUG_SEATS_BY_ARRIVAL},
                {nplug_way_name, NPLUG_WAY_DOWN},
                {nplug_gesture_name, NPLUG_GESTURE_REPEAT},
                {nplug_calibrate_mode_name, NPLUG_CALIBRATE_MODE_RESET},
                {nplug_learn_phase_name, NPLUG_LEARN_PHASE_GONE},
                {nplug_menu_wish_name, NPLUG_MENU_WISH_RESTORE},
                {nplug_time_source_name, NPLUG_TIME_SOURCE_FRAME},
                {nplug_text_name, NPLUG_TEXT_UNIT},
                {nplug_effect_kind_name, NPLUG_EFFECT_LIGHTS},
                {nplug_record_kind_name, NPLUG_RECORD_STEP},
                {nplug_rule_field_name, NPLUG_RULE_FIELD_NONE},
                {nplug_key_scheme_name, NPLUG_KEY_SCHEME_SET1},
                {nplug_report_kind_name, NPLUG_REPORT_AWAKE},
                {nplug_command_kind_name, NPLUG_COMMAND_PAUSE_RUMBLE},
                {nplug_move_kind_name, NPLUG_MOVE_ASLEEP},
                {nplug_reading_name, NPLUG_READING_SENSED},
                {nplug_event_name, NPLUG_EVENT_AWAKE},
                {nplug_limit_name, NPLUG_LIMIT_EFFECTS},
                {nplug_certainty_name, NPLUG_CERTAINTY_NAME},
                {nplug_prompt_role_name, NPLUG_PROMPT_ROLE_HIGH},
                {nplug_zone_kind_name, NPLUG_ZONE_AREA},
                {nplug_zone_show_name, NPLUG_ZONE_SHOW_NEVER},
                {nplug_corner_name, NPLUG_CORNER_BOTTOM_RIGHT},
                {nplug_nature_name, NPLUG_NATURE_SENSOR},
                {nplug_space_name, NPLUG_SPACE_ZONE}};
    const char *(*name)(uint32_t) = rows[_i].name;

    for (uint32_t i = 0; i <= rows[_i].last; i++) {
        ck_assert_str_ne(name(i), "unknown");
        for (uint32_t k = 0; k < i; k++)
            ck_assert_str_ne(name(i), name(k));
    }
    ck_assert_str_eq(name(rows[_i].last + 1), "unknown");
    ck_assert_str_eq(name(UINT32_MAX), "unknown");
}

/* What is printed on a key, said in the place of its code, finds the key. */
TESTS(a_key_by_its_print_is_near, 10)
{
    static const struct {
        const char *said, *meant;
    } rows[] = {{"key:W", "key:KeyW"},         {"key:w", "key:KeyW"},
                {"key:1", "key:Digit1"},       {"key:up", "key:ArrowUp"},
                {"key:Left", "key:ArrowLeft"}, {"key:shift", "key:ShiftLeft"},
                {"key:alt", "key:AltLeft"},    {"key:space", "key:Space"},
                {"key:Entr", "key:Enter"},     {"pad:sauth", "pad:south"}};
    char name[64];

    nplug_control_name(nplug_control_nearest(rows[_i].said, (size_t)-1), name, sizeof name);
    ck_assert_str_eq(name, rows[_i].meant);
    ck_assert_uint_eq(nplug_control_named(rows[_i].said), 0);
    ck_assert_uint_ne(nplug_control_named(rows[_i].meant), 0);
}
