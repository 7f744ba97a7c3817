/* A stand-in for the kernel's input nodes: FIFOs in a folder of their own, of which ioctl() and
 * read() tell what a test says.  The program is linked with --wrap=ioctl --wrap=read. */
#ifndef STANDIN_KERNEL_H
#define STANDIN_KERNEL_H

#include <linux/input.h>
#include <stdbool.h>
#include <stddef.h>

#define STANDIN_NODES 8

typedef struct standin_node {
    bool used, gone;
    char path[128];
    unsigned long inode;
    int writer;
    struct input_id id;
    char name[256], phys[64], uniq[64];
    unsigned char key[KEY_CNT / 8 + 1], abs[ABS_CNT / 8 + 1], rel[REL_CNT / 8 + 1];
    unsigned char down[KEY_CNT / 8 + 1]; /* what EVIOCGKEY tells */
    struct input_absinfo info[ABS_CNT];
} standin_node;

/* The folder, made on first use. */
const char *standin_folder(void);
void standin_clean(void);

/* A node "eventN" with nothing set, which nobody sees yet: the caller sets what it can say, then
 * shows it. */
standin_node *standin_plug(unsigned number);
void standin_show(const standin_node *node);
void standin_set(unsigned char *bits, unsigned code);
/* The node is no more: reading it says so. */
void standin_unplug(standin_node *node);

/* Writes bytes as the kernel would; one event; one event and the end of its frame. */
void standin_write(standin_node *node, const void *bytes, size_t size);
void standin_say(standin_node *node, int type, int code, int value);
void standin_frame(standin_node *node, int type, int code, int value);

/* How often this process has waited by epoll so far. */
unsigned standin_waits(void);

/* A Heron pad. */
standin_node *standin_heron(unsigned number);

#endif
