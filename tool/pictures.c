#include "pictures.h"
#include "album.h"
#include <dirent.h>
#include <errno.h>
#include <jansson.h>
#include <stdarg.h>
#include <stdio.h>
#include <string.h>

/* A line that grows, cut where it is full. */
typedef struct line {
    char text[600];
    size_t length;
} line;

static void add(line *to, const char *format, ...)
{
    size_t room = sizeof to->text - to->length;
    va_list list;
    int more;

    va_start(list, format);
    more = vsnprintf(to->text + to->length, room, format, list);
    va_end(list);
    if (more > 0) to->length += (size_t)more < room ? (size_t)more : room - 1;
}

/* --- prompts that are not true ------------------------------------------------------------------
 */

/* Where an action shows nothing, all in one line. */
static void tell_nothing(const desks *all, uint32_t action, pictures_say say, void *user)
{
    line out = {"", 0};

    for (size_t d = 0; d < DESKS; d++) {
        NPLUG_SIZED(nplug_prompt, prompt);
        desks_ask(all, d, action, &prompt);
        if (prompt.count) continue;
        if (out.length == 0)
            add(&out, "action \"%s\" shows nothing with ",
                nplug_action_name(all->nests[0], action));
        else
            add(&out, "; ");
        add(&out, "%s", desks_name(all, d));
    }
    if (out.length) say(user, out.text);
}

static void tell_guess(const desks *all, size_t desk, uint32_t action, pictures_say say, void *user)
{
    NPLUG_SIZED(nplug_prompt, prompt);
    line out = {"", 0};
    char text[200];

    desks_ask(all, desk, action, &prompt);
    if (prompt.count == 0 || prompt.certain != NPLUG_CERTAINTY_NAME) return;
    nplug_prompt_text(&prompt, false, text, sizeof text);
    add(&out, "action \"%s\" with %s: \"%s\" is a guess, since nobody says what is printed there",
        nplug_action_name(all->nests[desk], action), desks_name(all, desk), text);
    say(user, out.text);
}

void pictures_guesses(const desks *all, pictures_say say, void *user)
{
    for (uint32_t a = 0; a < nplug_action_count(all->nests[0]); a++) {
        tell_nothing(all, a, say, user);
        for (size_t d = 0; d < DESKS; d++)
            tell_guess(all, d, a, say, user);
    }
}

/* --- pictures that are not there ----------------------------------------------------------------
 */

static void found(album *needed, const char *name)
{
    picture *one = album_find(needed, name);
    if (one) one->files++;
}

/* False where it is no folder. */
static bool look_into_folder(album *needed, const char *path)
{
    DIR *dir = opendir(path);
    const struct dirent *entry;

    if (!dir) return false;
    while ((entry = readdir(dir)) != NULL) {
        char name[sizeof needed->list->name];
        const char *dot = strrchr(entry->d_name, '.');
        if (!dot || dot == entry->d_name || dot - entry->d_name >= (long)sizeof name) continue;
        snprintf(name, sizeof name, "%.*s", (int)(dot - entry->d_name), entry->d_name);
        found(needed, name);
    }
    closedir(dir);
    return true;
}

/* Of keys only the blank one counts. */
static bool look_into_atlas(album *needed, const char *path)
{
    json_error_t error;
    json_t *root = json_load_file(path, 0, &error), *list = json_object_get(root, "pictures"), *one;
    bool is = json_is_array(list);
    size_t i;

    json_array_foreach(list, i, one)
    {
        const char *name = json_string_value(json_object_get(one, "name"));
        const char *label = json_string_value(json_object_get(one, "label"));
        if (name && !(label && *label)) found(needed, name);
    }
    if (!root)
        fprintf(stderr, "%s:%d:%d: %s\n", path, error.line, error.column, error.text);
    else if (!is)
        fprintf(stderr, "%s: a list \"pictures\" is expected\n", path);
    json_decref(root);
    return is;
}

static bool look_into(album *needed, const char *set)
{
    if (tool_ends_in(set, ".json")) return look_into_atlas(needed, set);
    if (look_into_folder(needed, set)) return true;
    fprintf(stderr, "%s: %s\n", set, strerror(errno));
    return false;
}

static void tell_picture(const picture *one, const nplug_nest *nest, const char *set,
                         pictures_say say, void *user)
{
    const char *comma = ", for ";
    line out = {"", 0};

    if (one->files == 0)
        add(&out, "picture \"%s\" is not in %s", one->name, set);
    else
        add(&out, "picture \"%s\" is %d times in %s", one->name, one->files, set);
    for (uint32_t a = 0; a < nplug_action_count(nest); a++) {
        if (!album_is_for(one, a)) continue;
        add(&out, "%s\"%s\"", comma, nplug_action_name(nest, a));
        comma = ", ";
    }
    say(user, out.text);
}

bool pictures_missing(const desks *all, const char *set, pictures_say say, void *user)
{
    album needed = album_of(all, false);
    bool is = look_into(&needed, set);

    for (size_t i = 0; is && i < needed.count; i++)
        if (needed.list[i].files != 1) tell_picture(&needed.list[i], all->nests[0], set, say, user);
    album_free(&needed);
    return is;
}
