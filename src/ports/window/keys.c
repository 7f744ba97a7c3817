/* Keys by a system's numbers. */
#include "nestplug/window.h"
#include <string.h>

/* Scan codes of set 1 beyond those that the kernel numbers alike (1 to 88), as kernel codes. */
static const struct {
    uint16_t scan, kernel;
} by_scan[] = {{0xe01c, 96},  {0xe01d, 97},  {0xe035, 98},  {0xe037, 99},  {0xe038, 100},
               {0xe047, 102}, {0xe048, 103}, {0xe049, 104}, {0xe04b, 105}, {0xe04d, 106},
               {0xe04f, 107}, {0xe050, 108}, {0xe051, 109}, {0xe052, 110}, {0xe053, 111},
               {0xe020, 113}, {0xe02e, 114}, {0xe030, 115}, {0xe05e, 116}, {0xe046, 119},
               {0xe05b, 125}, {0xe05c, 126}, {0xe05d, 127}, {0x0059, 117}, {0x0070, 93},
               {0x0073, 89},  {0x0079, 92},  {0x007b, 94},  {0x007d, 124}, {0x007e, 121}};

static uint16_t from_kernel(uint32_t code)
{
    return (uint16_t)NPLUG_CONTROL_INDEX(nplug_key_from_kernel(code));
}

static uint16_t from_scan(uint32_t code)
{
    for (size_t i = 0; i < sizeof by_scan / sizeof *by_scan; i++)
        if (by_scan[i].scan == code) return from_kernel(by_scan[i].kernel);
    if (code >= 0x64 && code <= 0x6e) return (uint16_t)(0x68 + code - 0x64); /* F13 to F23 */
    if (code == 0x76) return 0x73;
    return code <= 88 ? from_kernel(code) : 0;
}

uint16_t nplug_key_usage(nplug_key_scheme scheme, uint32_t code)
{
    switch (scheme) {
    case NPLUG_KEY_SCHEME_HID:
        return code >= 0x04 && code <= 0xe7 ? (uint16_t)code : 0;
    case NPLUG_KEY_SCHEME_KERNEL:
        return from_kernel(code);
    case NPLUG_KEY_SCHEME_X11:
        return code >= 8 ? from_kernel(code - 8) : 0;
    case NPLUG_KEY_SCHEME_SET1:
        return from_scan(code);
    }
    return 0;
}

uint16_t nplug_key_usage_from_code(const char *code)
{
    char name[48] = "key:";

    if (!code || strlen(code) > sizeof name - 5) return 0;
    strcat(name, code);
    return (uint16_t)NPLUG_CONTROL_INDEX(nplug_control_named(name));
}
