/* guest-player SECONDS: plugs a pad, a mouse and a keyboard in, and plays them. */
#include "../standin/plug.h"
#include <stdio.h>
#include <stdlib.h>
#include <unistd.h>

void plug_failed(const char *what, const char *why)
{
    fprintf(stderr, "guest-player: cannot %s: %s\n", what, why);
    exit(1);
}

static int plug_mouse(void)
{
    plug_id id = {"Stint Mouse", BUS_USB, 0xb12d, 0x0801, "quay-2/input0"};
    int fd = plug_begin();

    plug_rel(fd, REL_X);
    plug_rel(fd, REL_Y);
    plug_key(fd, BTN_LEFT);
    plug_end(fd, id);
    return fd;
}

int main(int argc, char **argv)
{
    int seconds = argc > 1 ? atoi(argv[1]) : 5, pad = plug_heron("quay-1/input0");
    int mouse = plug_mouse();

    for (int i = 1; i < seconds * 50; i++) {
        plug_say(pad, EV_KEY, BTN_SOUTH, i / 10 % 2);
        plug_say(pad, EV_ABS, ABS_X, i % 50 * 600);
        plug_sync(pad);
        plug_say(mouse, EV_REL, REL_X, i % 5 + 1);
        plug_sync(mouse);
        usleep(20000);
    }
    plug_out(pad);
    plug_out(mouse);
    return 0;
}
