#include "width.h"
#include <stdio.h>

#ifdef NPLUG_HAS_CELLS
#include "nestplug/cells.h"

int width_of(const char *text)
{
    return (int)nplug_text_cells(text);
}
#else
int width_of(const char *text)
{
    int width = 0;

    for (; *text; text++)
        width += ((unsigned char)*text & 0xc0u) != 0x80u;
    return width;
}
#endif

void width_print(const char *text, int width)
{
    int blanks = width - width_of(text);

    printf("%s%*s", text, blanks > 0 ? blanks : 0, "");
}
