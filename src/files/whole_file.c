#include "whole_file.h"
#include <stdio.h>
#include <stdlib.h>
#include <string.h>
#if defined(__unix__) || defined(__APPLE__)
#include <fcntl.h>
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

/* A file that nobody else has, and no link that lies there: NULL where there is one already. */
static FILE *open_new(const char *path)
{
    int fd = open(path, O_WRONLY | O_CREAT | O_EXCL | O_NOFOLLOW | O_CLOEXEC, 0666);
    FILE *file = fd >= 0 ? fdopen(fd, "w") : NULL;

    if (fd >= 0 && !file) close(fd);
    return file;
}

/* Two programs that save at once have names of their own. */
static long own_number(void)
{
    return (long)getpid();
}

/* What takes the place of a file may be read by the same people; another's file stays theirs where
 * that may be done. */
static bool keep_mode(FILE *file, const char *path)
{
    struct stat about;

    if (stat(path, &about) != 0) return true;
    if (fchown(fileno(file), about.st_uid, about.st_gid) != 0 && geteuid() == 0) return false;
    return fchmod(fileno(file), about.st_mode & 07777) == 0;
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

static FILE *open_new(const char *path)
{
    return fopen(path, "wx");
}

static long own_number(void)
{
    return 0;
}

static bool keep_mode(FILE *file, const char *path)
{
    (void)file;
    (void)path;
    return true;
}
#endif

/* Names that are tried, of files that were left or are being written. */
#define TRIES 1000u

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

/* A new file beside a path, under a name that nobody has: so two who save at once never write into
 * one file.  Its name is in `name`. */
static FILE *open_beside(const char *path, char *name, size_t size)
{
    FILE *file = NULL;

    for (unsigned i = 0; i < TRIES && !file; i++) {
        snprintf(name, size, "%s.%lx-%x.new", path, (unsigned long)own_number(), i);
        file = open_new(name);
    }
    return file;
}

static nplug_result replace(const char *path, text all)
{
    size_t size = strlen(path) + 40;
    char *name = (char *)malloc(size);
    nplug_result result = NPLUG_ERR_FILE;
    FILE *file;
    bool good;

    if (!name) return NPLUG_ERR_MEMORY;
    file = open_beside(path, name, size);
    if (file) {
        good = keep_mode(file, path);
        good = write_all(file, all, true) && good;
        if (good && rename(name, path) == 0)
            result = NPLUG_OK;
        else
            remove(name);
    }
    free(name);
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
