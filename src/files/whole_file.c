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

/* Puts all of it onto the disk. */
static bool write_all(FILE *file, const json_t *root, bool replaces)
{
    bool good = json_dumpf(root, file, JSON_INDENT(2)) == 0 && fputc('\n', file) != EOF;

    good = fflush(file) == 0 && good;
    good = (sync_file(file) == 0 || !replaces) && good;
    return fclose(file) == 0 && good;
}

/* A device or a pipe is written to as it is. */
static nplug_result write_through(const char *path, const json_t *root)
{
    FILE *file = fopen(path, "w");
    return file && write_all(file, root, false) ? NPLUG_OK : NPLUG_ERR_FILE;
}

static nplug_result replace(const char *path, const json_t *root)
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
        if (write_all(file, root, true) && rename(beside, path) == 0)
            result = NPLUG_OK;
        else
            remove(beside);
    }
    free(beside);
    return result;
}

nplug_result nf_write_whole(const char *path, const json_t *root)
{
    nplug_result result;
    char *real;

    if (is_no_file(path)) return write_through(path, root);
    real = real_path(path);
    result = replace(real ? real : path, root);
    free(real);
    return result;
}
