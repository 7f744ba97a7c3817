#include "whole_file.h"
#include <stdio.h>
#include <stdlib.h>
#include <string.h>
#if defined(__unix__) || defined(__APPLE__)
#include <unistd.h>
#define SYNC(file) fsync(fileno(file))
#else
#define SYNC(file) 0
#endif

/* Puts all of it onto the disk. */
static bool write_all(FILE *file, const json_t *root)
{
    bool good = json_dumpf(root, file, JSON_INDENT(2)) == 0 && fputc('\n', file) != EOF;

    good = fflush(file) == 0 && good;
    good = SYNC(file) == 0 && good;
    return fclose(file) == 0 && good;
}

nplug_result nf_write_whole(const char *path, const json_t *root)
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
        if (write_all(file, root) && rename(beside, path) == 0)
            result = NPLUG_OK;
        else
            remove(beside);
    }
    free(beside);
    return result;
}
