/* Key labels by keyboard layouts: as their caps are printed, and bindings by print with them. */
#include "support.h"
#ifdef NPLUG_HAS_KEYMAP
#include "nestplug/keymap.h"
#include "nestplug/prompt.h"
#include <stdio.h>
#include <stdlib.h>
#include <string.h>

/* How caps of that country are printed. */
static const struct {
    const char *layout, *variant;
    struct {
        const char *code, *label;
    } keys[9];
} layouts[] = {
    {"us",
     NULL,
     {{"KeyQ", "Q"},
      {"KeyZ", "Z"},
      {"Digit1", "1"},
      {"Semicolon", ";"},
      {"Slash", "/"},
      {"Minus", "-"}}},
    {"us", "dvorak", {{"KeyQ", "'"}, {"KeyS", "O"}, {"KeyZ", ";"}, {"Minus", "["}}},
    {"de",
     NULL,
     {{"KeyQ", "Q"},
      {"KeyY", "Z"},
      {"KeyZ", "Y"},
      {"BracketLeft", "\xc3\x9c"},
      {"Semicolon", "\xc3\x96"},
      {"Quote", "\xc3\x84"},
      {"Minus", "\xc3\x9f"},
      {"Equal", "\xc2\xb4"},
      {"Backquote", "^"}}},
    {"fr",
     NULL,
     {{"KeyQ", "A"},
      {"KeyW", "Z"},
      {"KeyA", "Q"},
      {"KeyZ", "W"},
      {"Semicolon", "M"},
      {"KeyM", ","},
      {"Digit1", "&"},
      {"Digit2", "\xc3\xa9"},
      {"BracketLeft", "^"}}},
    {"ru",
     NULL,
     {{"KeyQ", "\xd0\x99"},
      {"KeyA", "\xd0\xa4"},
      {"KeyZ", "\xd0\xaf"},
      {"Backquote", "\xd0\x81"},
      {"BracketRight", "\xd0\xaa"},
      {"Digit1", "1"}}},
    {"gr", NULL, {{"KeyA", "\xce\x91"}, {"KeyS", "\xce\xa3"}, {"KeyV", "\xce\xa9"}, {"KeyQ", ";"}}},
    {"il",
     NULL,
     {{"KeyA", "\xd7\xa9"}, {"KeyT", "\xd7\x90"}, {"KeyE", "\xd7\xa7"}, {"Comma", "\xd7\xaa"}}},
    {"ara",
     NULL,
     {{"KeyQ", "\xd8\xb6"}, {"KeyA", "\xd8\xb4"}, {"KeyH", "\xd8\xa7"}, {"KeyL", "\xd9\x85"}}},
    {"jp",
     NULL,
     {{"KeyQ", "Q"}, {"BracketLeft", "@"}, {"Equal", "^"}, {"Quote", ":"}, {"IntlRo", "\\"}}}};

/* Keys that type nothing, or one thing or another. */
static const char *const silent[] = {"ShiftLeft", "F1",       "Escape",  "ArrowUp",
                                     "Enter",     "Space",    "Numpad7", "Numpad0",
                                     "Tab",       "CapsLock", "Delete",  "Backspace"};

TESTS(a_label_is_what_the_cap_shows, COUNT_OF(layouts))
{
    nplug_keymap *map;
    char label[8], cut[8];

    ck_assert_int_eq(nplug_keymap_open(layouts[_i].layout, layouts[_i].variant, &map), NPLUG_OK);
    ck_assert_uint_gt(strlen(nplug_keymap_name(map)), 3);
    for (size_t k = 0; k < COUNT_OF(layouts[_i].keys) && layouts[_i].keys[k].code; k++) {
        uint16_t usage = nplug_key_usage_from_code(layouts[_i].keys[k].code);
        size_t length = strlen(layouts[_i].keys[k].label);
        ck_assert_uint_eq(nplug_keymap_label(map, usage, label, sizeof label), length);
        ck_assert_str_eq(label, layouts[_i].keys[k].label);
        memset(cut, 'x', sizeof cut);
        ck_assert_uint_eq(nplug_keymap_label(map, usage, cut, length), length);
        ck_assert_str_eq(cut, ""); /* not half a character */
        ck_assert_int_eq(cut[length], 'x');
    }
    for (size_t k = 0; k < COUNT_OF(silent); k++)
        ck_assert_uint_eq(
            nplug_keymap_label(map, nplug_key_usage_from_code(silent[k]), label, sizeof label), 0);
    for (uint32_t usage = 0; usage < 0x10000; usage += usage < 0x100 ? 1 : 0xff)
        ck_assert_uint_lt(nplug_keymap_label(map, (uint16_t)usage, label, sizeof label), 5);
    nplug_keymap_close(map);
}

/* The name of a label's control, "key-label:z"; what cannot be bound is as it is. */
static const char *named(const char *label)
{
    static char name[32];

    snprintf(name, sizeof name, "key-label:%s", label);
    nplug_control_name(nplug_control_named(name), name, sizeof name);
    return name;
}

/* A prompt of a key by its place shows the layout's print; a binding by print is pressed by the key
 * on which that stands, also after another layout is used in the middle of the game. */
TESTS(prompts_and_bindings_follow_the_layout, 4)
{
    nplug_game game = harbour_for(1);
    nplug_time now = MS;
    test_rig rig;

    rig_open(&rig, &game, NULL);
    nplug_sim_plug(rig.sim, 0, "keys", "turnstone");
    rig_step(&rig, now);
    for (size_t l = 0; l < COUNT_OF(layouts); l++) {
        size_t i = (l * 4 + (size_t)_i) % COUNT_OF(layouts); /* in several orders */
        nplug_keymap *map;
        ck_assert_int_eq(nplug_keymap_open(layouts[i].layout, layouts[i].variant, &map), NPLUG_OK);
        ck_assert_int_eq(nplug_use_key_labels(rig.nest, nplug_keymap_label, map), NPLUG_OK);
        for (size_t k = 0; k < COUNT_OF(layouts[i].keys) && layouts[i].keys[k].code; k++) {
            const char *code = layouts[i].keys[k].code, *label = layouts[i].keys[k].label;
            char place[32];
            NPLUG_SIZED(nplug_prompt, prompt);
            snprintf(place, sizeof place, "key:%s", code);
            ck_assert_int_eq(nplug_bind(rig.nest, 1, HORN, place), NPLUG_OK);
            rig_step(&rig, now += MS);
            nplug_prompt_info(rig.nest, 1, HORN, &prompt);
            ck_assert_str_eq(prompt.parts[0].label, label);
            ck_assert_uint_eq(prompt.parts[0].certain, NPLUG_CERTAINTY_PRINTED);
            if (nplug_control_named(named(label)) == 0) continue; /* after ours, by number */
            ck_assert_int_eq(nplug_bind(rig.nest, 1, HORN, named(label)), NPLUG_OK);
            rig_step(&rig, now += MS);
            nplug_prompt_info(rig.nest, 1, HORN, &prompt);
            ck_assert_str_eq(prompt.parts[0].label, label);
            nplug_sim_press(rig.sim, now, "keys", code, 2 * MS);
            rig_step(&rig, now += MS);
            ck_assert_msg(nplug_presses(rig.nest, 1, HORN) == 1, "%s of %s", label,
                          layouts[i].layout);
            rig_step(&rig, now += 5 * MS);
        }
        nplug_use_key_labels(rig.nest, NULL, NULL);
        nplug_keymap_close(map);
    }
    rig_close(&rig);
}

/* A binding by print goes where the layout goes while nothing else is said. */
TEST(another_layout_moves_a_binding)
{
    static const struct {
        const char *layout, *code;
    } rows[] = {{"us", "KeyZ"}, {"de", "KeyY"}, {"fr", "KeyW"}, {"us", "KeyZ"}};
    static const char *const keys[] = {"KeyZ", "KeyY", "KeyW"};
    nplug_game game = harbour_for(1);
    nplug_time now = MS;
    test_rig rig;

    rig_open(&rig, &game, NULL);
    nplug_sim_plug(rig.sim, 0, "keys", "turnstone");
    ck_assert_int_eq(nplug_bind(rig.nest, 1, HORN, "key-label:z"), NPLUG_OK);
    rig_step(&rig, now);
    for (size_t r = 0; r < COUNT_OF(rows); r++) {
        nplug_keymap *map;
        nplug_keymap_open(rows[r].layout, NULL, &map);
        nplug_use_key_labels(rig.nest, nplug_keymap_label, map);
        rig_step(&rig, now += MS);
        for (size_t k = 0; k < COUNT_OF(keys); k++) {
            nplug_sim_press(rig.sim, now, "keys", keys[k], 2 * MS);
            rig_step(&rig, now += MS);
            ck_assert_uint_eq(nplug_presses(rig.nest, 1, HORN), strcmp(keys[k], rows[r].code) == 0);
            rig_step(&rig, now += 5 * MS);
        }
        nplug_use_key_labels(rig.nest, NULL, NULL);
        nplug_keymap_close(map);
    }
    rig_close(&rig);
}

/* A window does not say what is printed on keys: a binding by print is pressed while a layout is
 * used, and by no key any more when it is given up. */
TEST(who_gives_up_a_layout_has_none)
{
    nplug_game game = harbour_for(1);
    nplug_window *window = nplug_window_open(
        NPLUG_WINDOW_KEYBOARD, malloc(nplug_window_memory_needed()), nplug_window_memory_needed());
    nplug_time now = MS;
    nplug_keymap *map;
    test_rig rig;

    rig_open(&rig, &game, NULL);
    ck_assert_int_eq(nplug_window_attach(window, rig.nest), NPLUG_OK);
    ck_assert_int_eq(nplug_bind(rig.nest, 1, HORN, "key-label:z"), NPLUG_OK);
    rig_step(&rig, now);
    nplug_keymap_open("fr", NULL, &map);
    for (unsigned round = 0; round < 4; round++) {
        bool used = round % 2 != 0;
        uint16_t usage = nplug_key_usage_from_code("KeyW");
        nplug_use_key_labels(rig.nest, used ? nplug_keymap_label : NULL, map);
        rig_step(&rig, now += MS);
        nplug_window_key(window, now, usage, true);
        rig_step(&rig, now += MS);
        ck_assert_uint_eq(nplug_presses(rig.nest, 1, HORN), used);
        nplug_window_key(window, now, usage, false);
        rig_step(&rig, now += MS);
    }
    rig_close(&rig);
    nplug_keymap_close(map);
    free(window);
}

#else
#endif
