/* Generated from sheets/ by scripts/sheets_to_c.c; do not edit: ./dev sheets */
/* clang-format off */
#include "nestplug/sheet.h"

static const nplug_match heron_matches[] = {
    {0x0003, 0xb12d, 0x0101},
};
static const nplug_wire heron_wires[] = {
    {0x0c01, 0, 1, 0x00010130, 0, 0, 0, 0}, /* pad:south */
    {0x0c02, 0, 1, 0x00010131, 0, 0, 0, 0}, /* pad:east */
    {0x0c03, 0, 1, 0x00010134, 0, 0, 0, 0}, /* pad:west */
    {0x0c04, 0, 1, 0x00010133, 0, 0, 0, 0}, /* pad:north */
    {0x0c05, 0, 1, 0x00030011, 3, 0, 0, 0}, /* pad:dpad-up */
    {0x0c06, 0, 1, 0x00030011, 4, 0, 0, 0}, /* pad:dpad-down */
    {0x0c07, 0, 1, 0x00030010, 3, 0, 0, 0}, /* pad:dpad-left */
    {0x0c08, 0, 1, 0x00030010, 4, 0, 0, 0}, /* pad:dpad-right */
    {0x0c09, 0, 1, 0x00010136, 0, 0, 0, 0}, /* pad:shoulder-left */
    {0x0c0a, 0, 1, 0x00010137, 0, 0, 0, 0}, /* pad:shoulder-right */
    {0x0c0b, 0, 1, 0x00030002, 1, 0, 0, 0}, /* pad:trigger-left */
    {0x0c0c, 0, 1, 0x00030005, 1, 0, 0, 0}, /* pad:trigger-right */
    {0x0c0d, 0, 1, 0x00030000, 0, 0, 0, 0}, /* pad:stick-left */
    {0x0c0d, 1, 1, 0x00030001, 0, 1, 0, 0}, /* pad:stick-left */
    {0x0c0e, 0, 1, 0x00030003, 0, 0, 0, 0}, /* pad:stick-right */
    {0x0c0e, 1, 1, 0x00030004, 0, 1, 0, 0}, /* pad:stick-right */
    {0x0c0f, 0, 1, 0x0001013d, 0, 0, 0, 0}, /* pad:stick-left-click */
    {0x0c10, 0, 1, 0x0001013e, 0, 0, 0, 0}, /* pad:stick-right-click */
    {0x0c11, 0, 1, 0x0001013a, 0, 0, 0, 0}, /* pad:select */
    {0x0c12, 0, 1, 0x0001013b, 0, 0, 0, 0}, /* pad:start */
    {0x0c13, 0, 1, 0x0001013c, 0, 0, 0, 0}, /* pad:home */
};

static const nplug_match stint_matches[] = {
    {0x0003, 0xb12d, 0x0801},
};
static const nplug_wire stint_wires[] = {
    {0x0801, 0, 1, 0x00010110, 0, 0, 0, 0}, /* mouse:left */
    {0x0802, 0, 1, 0x00010111, 0, 0, 0, 0}, /* mouse:right */
    {0x0803, 0, 1, 0x00010112, 0, 0, 0, 0}, /* mouse:middle */
    {0x0806, 0, 1, 0x00020000, 0, 0, 0, 0}, /* mouse:move */
    {0x0806, 1, 1, 0x00020001, 0, 1, 0, 0}, /* mouse:move */
    {0x0807, 0, 1, 0x00020006, 0, 0, 0, 0}, /* mouse:wheel */
    {0x0807, 1, 1, 0x00020008, 0, 0, 0, 0}, /* mouse:wheel */
};

static const nplug_match turnstone_matches[] = {
    {0x0003, 0xb12d, 0x0701},
};

static const nplug_match window_keyboard_matches[] = {
    {0x0019, 0x0000, 0x0001},
};

static const nplug_match window_mouse_matches[] = {
    {0x0019, 0x0000, 0x0002},
};
static const nplug_wire window_mouse_wires[] = {
    {0x0801, 0, 1, 0x00010110, 0, 0, 0, 0}, /* mouse:left */
    {0x0802, 0, 1, 0x00010111, 0, 0, 0, 0}, /* mouse:right */
    {0x0803, 0, 1, 0x00010112, 0, 0, 0, 0}, /* mouse:middle */
    {0x0804, 0, 1, 0x00010113, 0, 0, 0, 0}, /* mouse:back */
    {0x0805, 0, 1, 0x00010114, 0, 0, 0, 0}, /* mouse:forward */
    {0x0806, 0, 1, 0x00020000, 0, 0, 0, 0}, /* mouse:move */
    {0x0806, 1, 1, 0x00020001, 0, 1, 0, 0}, /* mouse:move */
    {0x0807, 0, 1, 0x00020006, 0, 0, 0, 0}, /* mouse:wheel */
    {0x0807, 1, 1, 0x00020008, 0, 0, 0, 0}, /* mouse:wheel */
};

static const nplug_match window_pad_matches[] = {
    {0x0019, 0x0000, 0x0004},
};
static const nplug_wire window_pad_wires[] = {
    {0x0c01, 0, 3, 0x00000000, 1, 0, 0, 0}, /* pad:south */
    {0x0c02, 0, 3, 0x00000001, 1, 0, 0, 0}, /* pad:east */
    {0x0c03, 0, 3, 0x00000002, 1, 0, 0, 0}, /* pad:west */
    {0x0c04, 0, 3, 0x00000003, 1, 0, 0, 0}, /* pad:north */
    {0x0c09, 0, 3, 0x00000004, 1, 0, 0, 0}, /* pad:shoulder-left */
    {0x0c0a, 0, 3, 0x00000005, 1, 0, 0, 0}, /* pad:shoulder-right */
    {0x0c0b, 0, 3, 0x00000006, 1, 0, 0, 0}, /* pad:trigger-left */
    {0x0c0c, 0, 3, 0x00000007, 1, 0, 0, 0}, /* pad:trigger-right */
    {0x0c11, 0, 3, 0x00000008, 1, 0, 0, 0}, /* pad:select */
    {0x0c12, 0, 3, 0x00000009, 1, 0, 0, 0}, /* pad:start */
    {0x0c0f, 0, 3, 0x0000000a, 1, 0, 0, 0}, /* pad:stick-left-click */
    {0x0c10, 0, 3, 0x0000000b, 1, 0, 0, 0}, /* pad:stick-right-click */
    {0x0c05, 0, 3, 0x0000000c, 1, 0, 0, 0}, /* pad:dpad-up */
    {0x0c06, 0, 3, 0x0000000d, 1, 0, 0, 0}, /* pad:dpad-down */
    {0x0c07, 0, 3, 0x0000000e, 1, 0, 0, 0}, /* pad:dpad-left */
    {0x0c08, 0, 3, 0x0000000f, 1, 0, 0, 0}, /* pad:dpad-right */
    {0x0c13, 0, 3, 0x00000010, 1, 0, 0, 0}, /* pad:home */
    {0x0c0d, 0, 3, 0x00000100, 0, 0, 0, 0}, /* pad:stick-left */
    {0x0c0d, 1, 3, 0x00000101, 0, 1, 0, 0}, /* pad:stick-left */
    {0x0c0e, 0, 3, 0x00000102, 0, 0, 0, 0}, /* pad:stick-right */
    {0x0c0e, 1, 3, 0x00000103, 0, 1, 0, 0}, /* pad:stick-right */
};

static const nplug_sheet sheets[] = {
    {(uint32_t)sizeof(nplug_sheet), "heron", "letters", (nplug_kind)3, 1, 21,
     heron_matches, heron_wires, 0},
    {(uint32_t)sizeof(nplug_sheet), "stint", "", (nplug_kind)2, 1, 7,
     stint_matches, stint_wires, 0},
    {(uint32_t)sizeof(nplug_sheet), "turnstone", "", (nplug_kind)1, 1, 0,
     turnstone_matches, NULL, 1},
    {(uint32_t)sizeof(nplug_sheet), "window-keyboard", "", (nplug_kind)1, 1, 0,
     window_keyboard_matches, NULL, 1},
    {(uint32_t)sizeof(nplug_sheet), "window-mouse", "", (nplug_kind)2, 1, 9,
     window_mouse_matches, window_mouse_wires, 0},
    {(uint32_t)sizeof(nplug_sheet), "window-pad", "", (nplug_kind)3, 1, 21,
     window_pad_matches, window_pad_wires, 0},
};

const nplug_sheet *nplug_builtin_sheets(uint32_t *count)
{
    *count = (uint32_t)(sizeof sheets / sizeof *sheets);
    return sheets;
}
