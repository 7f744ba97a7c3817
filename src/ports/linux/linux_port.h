/* Inside the linux port: its nodes and what each file does with them. */
#ifndef NL_LINUX_PORT_H
#define NL_LINUX_PORT_H

#include "nestplug/linux.h"
#include <linux/input.h>
#include <pthread.h>

#define NL_NONE      0xffffu
#define NL_SLOTS     16  /* contacts at once, of a touch surface */
#define NL_SLOT_AXES 4   /* what is read of each contact */
#define NL_FRAME     256 /* events of one kernel frame that are kept */
#define NL_NAME      32  /* "event264" */

typedef struct nl_node {
    int fd;          /* -1: a free place, or one that may not be read */
    bool used;       /* announced to the nest */
    bool unreadable; /* announced as such */
    bool dropping;   /* the kernel dropped events: all up to the next report is to be ignored */
    bool owes_state; /* a resync found no room yet */
    char file[NL_NAME];
    uint16_t signals;
    bool has_battery;
    uint16_t battery; /* its signal */
    int charge;       /* in percent, as last told; -1 while not known */
    bool charging;
    nplug_time battery_due; /* what the node says from then on has it looked at again */
    uint16_t key[KEY_CNT], abs[ABS_CNT], rel[REL_CNT], sw[SW_CNT]; /* the signal of a code */
    uint16_t slot[NL_SLOTS][NL_SLOT_AXES];
    int slots, current;        /* of a touch surface with slots (protocol B) */
    bool moved[ABS_CNT];       /* has said anything since the node was opened */
    int effect;                /* id of the uploaded rumble, -1 for none */
    struct input_event in[64]; /* read, not yet taken */
    uint32_t at, got;
    bool ready;  /* the kernel has more */
    bool gone;   /* reading said that the node is no more */
    bool staged; /* `frame` is whole and waits for its turn */
    nplug_time frame_time;
    uint32_t count; /* reports of the frame so far */
    bool cut;       /* the frame had more */
    bool let_go;    /* the kernel let go of it, as a node dies or the machine goes to sleep */
    nplug_report frame[NL_FRAME];
} nl_node;

struct nplug_linux {
    nplug_linux_setup setup;
    char folder[64];
    nplug_ring *ring;
    int epoll, watch, uevents, wake;
    bool rescan; /* what is in the folder may have changed */
    bool has_folder;
    uint32_t passed_over; /* nodes that nobody asked for, when the folder was last looked at */
    bool threaded, stopping;
    pthread_t thread;
    pthread_mutex_t lock; /* of the nodes, where there is a thread */
    nl_node *nodes;
    uint32_t top;         /* no node is used from here on */
    nplug_time next_look; /* when a pumped port asks for news of the folder again */
};

/* hotplug.c: what comes and goes. */
bool nl_hotplug_open(nplug_linux *port);
void nl_hotplug_read(nplug_linux *port);
void nl_hotplug_scan(nplug_linux *port, nplug_time now);
void nl_hotplug_close(nplug_linux *port);

/* node.c: one node opened, announced, and closed. */
/* true where the node was dealt with, false where it must be tried again (the ring has no room). */
bool nl_node_open(nplug_linux *port, nl_node *node, const char *file, nplug_time now);
void nl_node_close(nplug_linux *port, nl_node *node, nplug_time now);
/* A node's place is taken, or free again. */
void nl_node_use(nplug_linux *port, nl_node *node, bool used);
static inline uint32_t nl_node_number(const nplug_linux *port, const nl_node *node)
{
    return (uint32_t)(node - port->nodes);
}
/* Whether a node that is there as unreadable may be read now. */
bool nl_node_readable(const nplug_linux *port, const char *file);

/* battery.c: how long it will last.  find: whether there is one.  look: what it says now, if that
 * is something else.  keep: the same, where it is due. */
void nl_battery_find(nl_node *node, nplug_time now);
/* Tells its charge, where that is known. */
void nl_battery_tell(nplug_linux *port, const nl_node *node, nplug_time now);
void nl_battery_keep(nplug_linux *port, nl_node *node, nplug_time now);
void nl_battery_look(nplug_linux *port, nl_node *node, nplug_time now);

/* lights.c: whose it is; 0 puts the lights out. */
void nl_lights_show(const nl_node *node, uint32_t player);
bool nl_lights_has(const nl_node *node);

/* events.c: what an open node says. */
/* Reads up to the end of the next kernel frame: true where there is one, in `frame`. */
bool nl_events_stage(nplug_linux *port, nl_node *node);
/* Pushes the frame as one group. */
void nl_events_push(nplug_linux *port, nl_node *node);
void nl_events_state(nplug_linux *port, nl_node *node, nplug_time now);
/* The values that are not at rest, as single reports. */
void nl_events_push_values(nplug_linux *port, nl_node *node, nplug_time now);

/* The axes that are read of a contact, by NL_SLOT_AXES. */
extern const uint16_t nl_slot_codes[NL_SLOT_AXES];

#endif
