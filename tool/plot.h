/* Pictures by gnuplot: a pipe to it, set up alike for all. */
#ifndef TOOL_PLOT_H
#define TOOL_PLOT_H

#include <stdbool.h>
#include <stdio.h>

/* Opens gnuplot for a picture 1280 wide whose name ends in .png or .svg; NULL (and says why) where
 * it cannot.
 */
FILE *plot_open(const char *path, unsigned height);

/* Ends it; false (and says so) where gnuplot could not draw. */
/* Writes a text as gnuplot's own, whatever stands in it: no quote ends it, no backquote runs it. */
void plot_text(FILE *plot, const char *text);

bool plot_close(FILE *plot, const char *path);

#endif
