/* What controls are called by their places, in English. */
#include "nestplug/control.h"
#include "prompts.h"
#include <string.h>

/* By the control's name; of those that are counted without the number, which comes after. */
typedef struct word_row {
    const char *name, *label, *words;
} word_row;

static const word_row rows[] = {
    {"pad:south", "bottom button", "bottom face button"},
    {"pad:east", "right button", "right face button"},
    {"pad:west", "left button", "left face button"},
    {"pad:north", "top button", "top face button"},
    {"pad:dpad-up", "d-pad \xe2\x86\x91", "d-pad up"},
    {"pad:dpad-down", "d-pad \xe2\x86\x93", "d-pad down"},
    {"pad:dpad-left", "d-pad \xe2\x86\x90", "d-pad left"},
    {"pad:dpad-right", "d-pad \xe2\x86\x92", "d-pad right"},
    {"pad:shoulder-left", "left shoulder", "left shoulder button"},
    {"pad:shoulder-right", "right shoulder", "right shoulder button"},
    {"pad:trigger-left", "left trigger", "left trigger"},
    {"pad:trigger-right", "right trigger", "right trigger"},
    {"pad:stick-left", "left stick", "left stick"},
    {"pad:stick-right", "right stick", "right stick"},
    {"pad:stick-left-click", "left stick pressed", "left stick, pressed in"},
    {"pad:stick-right-click", "right stick pressed", "right stick, pressed in"},
    {"pad:select", "select", "small button left of the middle"},
    {"pad:start", "start", "small button right of the middle"},
    {"pad:home", "home", "button in the middle"},
    {"pad:rear-left", "rear left", "left button at the back"},
    {"pad:rear-right", "rear right", "right button at the back"},
    {"pad:rear-left-2", "rear left 2", "second left button at the back"},
    {"pad:rear-right-2", "rear right 2", "second right button at the back"},
    {"pad:touchpad", "touch pad", "touch pad, pressed"},
    {"pad:turn", "turn", "turn the pad"},
    {"pad:roll", "roll", "roll the pad"},
    {"pad:tilt", "tilt", "tilt the pad"},
    {"mouse:left", "left click", "left mouse button"},
    {"mouse:right", "right click", "right mouse button"},
    {"mouse:middle", "middle click", "mouse wheel, pressed"},
    {"mouse:back", "mouse back", "rear thumb button of the mouse"},
    {"mouse:forward", "mouse forward", "front thumb button of the mouse"},
    {"mouse:move", "mouse", "move the mouse"},
    {"mouse:wheel", "mouse wheel", "mouse wheel"},
    {"mouse:place", "mouse", "point with the mouse"},
    {"pointer:press", "click", "click, or tap"},
    {"hand:trigger", "trigger", "trigger"},
    {"hand:squeeze", "grip", "grip"},
    {"hand:thumbstick", "stick", "thumbstick"},
    {"hand:thumbstick-click", "stick pressed", "thumbstick, pressed in"},
    {"hand:lower", "lower button", "lower button"},
    {"hand:upper", "upper button", "upper button"},
    {"hand:menu", "menu", "menu button"},
    {"hand:pose-grip", "hand", "hand"},
    {"hand:pose-aim", "pointing hand", "pointing hand"},
    {"headset:pose-view", "head", "head"},
    {"stick:aileron", "stick \xe2\x86\x94", "stick, left and right"},
    {"stick:elevator", "stick \xe2\x86\x95", "stick, forward and back"},
    {"stick:twist", "twist", "stick, twisted"},
    {"stick:rudder", "rudder", "rudder pedals"},
    {"stick:brake-left", "left brake", "left pedal, pressed"},
    {"stick:brake-right", "right brake", "right pedal, pressed"},
    {"stick:throttle", "throttle", "throttle lever"},
    {"stick:slider", "slider", "slider"},
    {"stick:dial", "dial", "dial"},
    {"stick:hat", "hat", "hat switch"},
    {"stick:button", "button", "button"},
    {"wheel:steering", "wheel", "steering wheel"},
    {"wheel:accelerator", "accelerator", "accelerator pedal"},
    {"wheel:brake", "brake", "brake pedal"},
    {"wheel:clutch", "clutch", "clutch pedal"},
    {"wheel:handbrake", "handbrake", "handbrake"},
    {"wheel:shift-down", "shift down", "paddle that shifts down"},
    {"wheel:shift-up", "shift up", "paddle that shifts up"},
    {"wheel:dial", "dial", "dial"},
    {"wheel:hat", "hat", "hat switch"},
    {"wheel:button", "button", "button"},
    {"touch:contact-down", "touch", "touch, finger"},
    {"touch:contact", "finger", "finger"},
    {"touch:pen-button", "pen button", "button of the pen"},
    {"key:ShiftLeft", "left Shift", "left Shift key"},
    {"key:ShiftRight", "right Shift", "right Shift key"},
    {"key:ControlLeft", "left Ctrl", "left Ctrl key"},
    {"key:ControlRight", "right Ctrl", "right Ctrl key"},
    {"key:AltLeft", "left Alt", "left Alt key"},
    {"key:AltRight", "right Alt", "right Alt key"},
    {"key:MetaLeft", "left Meta", "left system key"},
    {"key:MetaRight", "right Meta", "right system key"},
    {"key:Space", "Space", "space bar"},
    {"key:Enter", "Enter", "Enter key"},
    {"key:Escape", "Esc", "Escape key"},
    {"key:Tab", "Tab", "Tab key"},
    {"key:Backspace", "Backspace", "Backspace key"},
    {"key:Delete", "Del", "Delete key"},
    {"key:Insert", "Ins", "Insert key"},
    {"key:CapsLock", "Caps Lock", "Caps Lock key"},
    {"key:PageUp", "Page Up", "Page Up key"},
    {"key:PageDown", "Page Down", "Page Down key"},
    {"key:Home", "Home", "Home key"},
    {"key:End", "End", "End key"},
    {"key:ArrowUp", "\xe2\x86\x91", "up arrow key"},
    {"key:ArrowDown", "\xe2\x86\x93", "down arrow key"},
    {"key:ArrowLeft", "\xe2\x86\x90", "left arrow key"},
    {"key:ArrowRight", "\xe2\x86\x92", "right arrow key"},
    {"key:NumpadEnter", "Enter (keypad)", "Enter key of the keypad"},
};

/* The name without the hand's side, and without a number at its end; how the number is written. */
static const char *shorten(char *name, const char **side)
{
    size_t length = strlen(name), at = length;

    *side = "";
    if (strncmp(name, "hand-left:", 10) == 0) *side = "left ";
    if (strncmp(name, "hand-right:", 11) == 0) *side = "right ";
    if (**side) {
        const char *rest = strchr(name, ':');
        memmove(name + 4, rest, strlen(rest) + 1);
        at = length = strlen(name);
    }
    while (at && name[at - 1] >= '0' && name[at - 1] <= '9')
        at--;
    if (at == length || at == 0 || name[at - 1] != '-') return "";
    name[at - 1] = 0;
    return name + at;
}

static const word_row *find(const char *name)
{
    for (size_t i = 0; i < sizeof rows / sizeof *rows; i++)
        if (strcmp(rows[i].name, name) == 0) return &rows[i];
    return NULL;
}

static void say(nq_text *text, const char *side, const char *word, const char *number)
{
    nq_text_add(text, side);
    nq_text_add(text, word);
    if (!*number) return;
    nq_text_add(text, " ");
    nq_text_add(text, number);
}

bool nq_words_of(nplug_control control, nq_text *label, nq_text *words)
{
    char name[64];
    const char *side, *number = "";
    const word_row *row;

    if (nplug_control_name(control, name, sizeof name) == 0) return false;
    row = find(name); /* some names end in a number that is a part of them */
    side = "";
    if (!row) {
        number = shorten(name, &side);
        row = find(name);
    }
    if (!row) return false;
    say(label, side, row->label, number);
    say(words, side, row->words, number);
    return true;
}
