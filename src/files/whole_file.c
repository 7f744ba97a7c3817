#include "whole_file.h"
#include <stdio.h>
#include <stdlib.h>
#include <string.h>
#if defined(__unix__) || defined(__APPLE__)
#include <sys/stat.h>
#include <unistd.h>

static int sync_file(FILE *file)
{
    return fsync(fileno(file));
}

/* Whether a path leads to something that must not be replaced: a device, a pipe. */
static bool is_no_file(const char *path)
{
    struct stat about;
    return stat(path, &about) == 0 && !S_ISREG(about.st_mode);
}

/* Where a path really leads, links followed; from malloc, NULL where nothing is there yet. */
static char *real_path(const char *path)
{
    return realpath(path, NULL);
}
#else
static int sync_file(FILE *file)
{
    (void)file;
    return 0;
}

static bool is_no_file(const char *path)
{
    (void)path;
    return false;
}

static char *real_path(const char *path)
{
    (void)path;
    return NULL;
}
#endif

/* A text and how long it is. */
typedef struct text {
    const char *bytes;
    size_t length;
} text;

/* Puts all of it onto the disk. */
static bool write_all(FILE *file, text all, bool replaces)
{
    bool good = fwrite(all.bytes, 1, all.length, file) == all.length;

    good = fflush(file) == 0 && good;
    good = (sync_file(file) == 0 || !replaces) && good;
    return fclose(file) == 0 && good;
}

/* A device or a pipe is written to as it is. */
static nplug_result write_through(const char *path, text all)
{
    FILE *file = fopen(path, "w");
    return file && write_all(file, all, false) ? NPLUG_OK : NPLUG_ERR_FILE;
}

static nplug_result replace(const char *path, text all)
{
    size_t length = strlen(path);
    char *beside = (char *)malloc(length + 5);
    nplug_result result = NPLUG_ERR_FILE;
    FILE *file;

    if (!beside) return NPLUG_ERR_MEMORY;
    memcpy(beside, path, length);
    memcpy(beside + length, ".new", 5);
    file = fopen(beside, "w");
    if (file) {
        if (write_all(file, all, true) && rename(beside, path) == 0)
            result = NPLUG_OK;
        else
            remove(beside);
    }
    free(beside);
    return result;
}

nplug_result nf_write_text(const char *path, const char *bytes, size_t length)
{
    text all = {bytes, length};
    nplug_result result;
    char *real;

    if (is_no_file(path)) return write_through(path, all);
    real = real_path(path);
    result = replace(real ? real : path, all);
    free(real);
    return result;
}

nplug_result nf_write_whole(const char *path, const json_t *root)
{
    char *bytes = json_dumps(root, JSON_INDENT(2));
    nplug_result result = NPLUG_ERR_MEMORY;
    size_t length = bytes ? strlen(bytes) : 0;

    if (!bytes) return result;
    bytes[length] = '\n'; /* in the place of its 0 */
    result = nf_write_text(path, bytes, length + 1);
    free(bytes);
    return result;
}
