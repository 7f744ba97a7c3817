/* Game files: who may play, and with what. */
#include "core/base/base.h"
#include "aids/words.h"
#include "game_file.h"
#include "objects.h"
#include "nestplug/control.h"
#include <stdio.h>
#include <stdlib.h>
#include <string.h>

#define COUNT(list) (sizeof(list) / sizeof *(list))

static const char *const seat_rules[] = {NA_SEATS_WORDS};
#define MILLISECONDS                                                                               \
    .least = 0, .most = 3600000, .expected = "0 to 3600000 milliseconds are expected"

static const nf_field seat_fields[] = {
    {.name = "max",
     .type = NF_INTEGER,
     NF_INTO(nplug_game, players),
     .least = 1,
     .most = NPLUG_PLAYERS_MAX,
     .expected = "1 to 16 players are expected",
     .otherwise = 1},
    {.name = "by",
     .type = NF_WORD,
     NF_INTO(nplug_game, seats),
     NF_WORDS(seat_rules),
     .sort = "rule for seats",
     .otherwise = NPLUG_SEATS_FIRST_USE},
    {.name = "waits", .type = NF_INTEGER, NF_INTO(nplug_game, seat_wait_ms), MILLISECONDS},
    {.name = "wobble", .type = NF_INTEGER, NF_INTO(nplug_game, wobble_ms), MILLISECONDS},
    NF_HAND("kinds", NF_ARRAY),
    NF_HAND("join", NF_STRING),
    NF_HAND("leave", NF_STRING)};
const nf_object nf_seats_object = NF_OBJECT_OF(seat_fields, "game", "/properties/seats");
_Static_assert(NPLUG_PLAYERS_MAX == 16, "what the table says is expected");

/* Words that stand for several kinds at once. */
static const struct {
    const char *word;
    uint32_t kinds;
} several[] = {{"desk", 1u << NPLUG_KIND_KEYBOARD | 1u << NPLUG_KIND_MOUSE},
               {"hands", 1u << NPLUG_KIND_HAND_LEFT | 1u << NPLUG_KIND_HAND_RIGHT}};

static uint32_t kinds_of(const char *word)
{
    for (size_t i = 0; i < COUNT(several); i++)
        if (strcmp(several[i].word, word) == 0) return several[i].kinds;
    for (unsigned i = NPLUG_KIND_UNKNOWN + 1; i < NP_KINDS; i++)
        if (strcmp(nplug_kind_name((nplug_device_kind)i), word) == 0) return 1u << i;
    return 0;
}

/* A list of kinds, as bits. */
static uint32_t read_kinds(nf_doc *doc, json_t *list, const char *pointer)
{
    uint32_t kinds = 0;
    json_t *value;
    size_t i;

    json_array_foreach(list, i, value)
    {
        const char *word = json_string_value(value);
        uint32_t more = word ? kinds_of(word) : 0;
        char at[64];
        snprintf(at, sizeof at, "%s/%zu", pointer, i);
        if (!more)
            nf_error(doc, at,
                     "a kind of device is expected: desk, keyboard, mouse, pad, stick, wheel, "
                     "touch, hands, hand-left, hand-right or headset");
        kinds |= more;
    }
    return kinds;
}

/* The name of a button of the game; NULL where none is said. */
static const char *read_button(nf_doc *doc, const nplug_game_file *file, json_t *seats,
                               const char *member)
{
    const char *name = nf_string(seats, member, NULL);
    char at[32], near[96];
    bool found = false, button = false;

    snprintf(at, sizeof at, "/seats/%s", member);
    for (uint32_t i = 0; name && i < file->game.action_count; i++) {
        if (strcmp(file->actions[i].name, name) != 0) continue;
        found = true;
        button = file->actions[i].kind == NPLUG_ACTION_BUTTON;
    }
    if (found && !button)
        nf_error(doc, at, "\"%.40s\" is no button: one of that kind is expected", name);
    else if (name && !found)
        nf_error(doc, at, "\"%.40s\" is no action of this game%s", name,
                 nf_nearest(&file->actions[0].name, file->game.action_count, sizeof *file->actions,
                            name, near, sizeof near));
    return name;
}

static void read_rule(nf_doc *doc, nplug_game_file *file, json_t *seats)
{
    nplug_game *game = &file->game;

    if (!nf_read(doc, seats, "/seats", &nf_seats_object, game)) return;
    if (game->players == 1 && !json_object_get(seats, "by")) game->seats = NPLUG_SEATS_ONE;
    game->seat_kinds = read_kinds(doc, json_object_get(seats, "kinds"), "/seats/kinds");
    game->join = read_button(doc, file, seats, "join");
    game->leave = read_button(doc, file, seats, "leave");
    if ((game->seats == NPLUG_SEATS_BY_ACTION) != (game->join != NULL))
        nf_error(doc, game->join ? "/seats/join" : "/seats/by",
                 "\"by\": \"action\" and \"join\", the button that seats a player, go together");
}

/* Whether another key of the parts so far is this one. */
static bool is_taken(const nplug_game_file *file, const char *key)
{
    size_t length = strlen(key);

    for (uint32_t i = 0; i < NPLUG_PARTS_MAX && file->share_keys[i]; i++)
        for (const char *at = file->share_keys[i]; at; at = strchr(at, ',')) {
            at += *at == ',';
            if (strncmp(at, key, length) == 0 && (at[length] == ',' || !at[length])) return true;
        }
    return false;
}

static void read_key(nf_doc *doc, nplug_game_file *file, json_t *value, const char *at)
{
    char *keys = file->share_keys[file->game.part_count], name[64];
    const char *key = json_string_value(value);

    snprintf(name, sizeof name, "key:%.56s", key ? key : "");
    if (!key || strlen(key) > 31 || (strcmp(key, "mouse") != 0 && !nplug_control_named(name))) {
        nf_error(doc, at, "a key is expected, by its W3C code (\"KeyW\"), or \"mouse\"");
    } else if (is_taken(file, key)) {
        nf_error(doc, at, "\"%s\" is in a part already", key);
    } else {
        if (*keys) strcat(keys, ",");
        strcat(keys, key);
    }
}

static void read_part(nf_doc *doc, nplug_game_file *file, const char *name, json_t *list)
{
    uint32_t part = file->game.part_count;
    char pointer[80], at[112];
    json_t *value;
    size_t i;

    snprintf(pointer, sizeof pointer, "/parts/%.48s", name);
    nf_check_name(doc, name, pointer);
    if (!json_is_array(list) || json_array_size(list) == 0 || part == NPLUG_PARTS_MAX) {
        nf_error(doc, pointer, "a list of keys is expected, and at most %u parts", NPLUG_PARTS_MAX);
        return;
    }
    file->share_keys[part] = (char *)calloc(json_array_size(list), 32);
    if (!file->share_keys[part]) {
        nf_no_memory(doc, "");
        return;
    }
    json_array_foreach(list, i, value)
    {
        snprintf(at, sizeof at, "%s/%zu", pointer, i);
        read_key(doc, file, value, at);
    }
    file->shares[part].name = name;
    file->shares[part].keys = file->share_keys[part];
    file->game.part_count++;
}

void nf_game_read_seats(nf_doc *doc, nplug_game_file *file)
{
    json_t *seats = json_object_get(doc->root, "seats"), *list;
    const char *name;

    file->game.seats = NPLUG_SEATS_ONE;
    file->game.players = 1;
    file->game.parts = file->shares;
    if (seats) read_rule(doc, file, seats);
    json_object_foreach(json_object_get(doc->root, "parts"), name, list) if (!doc->failed)
        read_part(doc, file, name, list);
    file->game.unfocused_kinds =
        read_kinds(doc, json_object_get(doc->root, "unfocused"), "/unfocused");
}
