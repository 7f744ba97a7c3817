/* Devices made up for the kernel, through uinput and uhid. */
#ifndef GUEST_PLUG_H
#define GUEST_PLUG_H

#include <linux/input.h>
#include <stdbool.h>
#include <stddef.h>
#include <stdint.h>

/* What to do where something cannot be done; of whoever uses this file. */
void plug_failed(const char *what, const char *why);

/* Numbers of a made-up device. */
typedef struct plug_id {
    const char *name;
    uint16_t bus, vendor, product;
    const char *phys; /* NULL for none */
} plug_id;

/* uinput: begin, say what it has, end: then it is there.  Fails the test where it cannot. */
int plug_begin(void);
void plug_key(int fd, int code);
void plug_rel(int fd, int code);
void plug_abs(int fd, int code, struct input_absinfo range);
void plug_rumble(int fd);
void plug_property(int fd, int property);
void plug_end(int fd, plug_id id);
void plug_out(int fd);

/* One event; the end of a frame. */
void plug_say(int fd, int type, int code, int value);
void plug_sync(int fd);

/* A whole Heron pad: 16-bit sticks, triggers, a hat, all buttons. */
int plug_heron(const char *phys);

/* The node that a uinput device became ("/dev/input/event5"). */
void plug_node(int fd, char *path, size_t size);

/* uhid: a HID device with a report descriptor; questions of the kernel are answered from
 * `features` (by report number; may be NULL). */
typedef size_t (*plug_feature)(uint8_t number, uint8_t *answer);
int plug_hid(plug_id id, const uint8_t *descriptor, size_t size, plug_feature features);
/* The same for one that also answers what is written to it, by reports of its own. */
typedef void (*plug_output)(int fd, const uint8_t *data, size_t size);
int plug_hid_that_answers(plug_id id, const uint8_t *descriptor, size_t size, plug_feature features,
                          plug_output outputs);
void plug_hid_report(int fd, const uint8_t *data, size_t size);
void plug_hid_out(int fd);

#endif
