#include "colours.h"
#include "plot.h"
#include <stdlib.h>
#include <string.h>

/* In gnuplot's single quotes nothing is run; a quote stands doubled, and a line's end ends the
 * text. */
void plot_text(FILE *plot, const char *text)
{
    fputc('\'', plot);
    for (; *text; text++) {
        if (*text == '\'') fputc('\'', plot);
        fputc(*text == '\n' || *text == '\r' ? ' ' : *text, plot);
    }
    fputc('\'', plot);
}

FILE *plot_open(const char *path, unsigned height)
{
    const char *end = strrchr(path, '.');
    bool svg = end && strcmp(end, ".svg") == 0;
    FILE *plot;

    if (!svg && (!end || strcmp(end, ".png") != 0)) {
        fprintf(stderr, "nestplug: %s: a picture's name ends in .png or .svg\n", path);
        return NULL;
    }
    if (system("command -v gnuplot >/dev/null 2>&1") != 0) {
        fprintf(stderr, "nestplug: pictures are drawn by gnuplot, which is not installed: "
                        "apt install gnuplot-nox\n");
        return NULL;
    }
    plot = popen("gnuplot 2>&1", "w");
    if (!plot) return NULL;
    fprintf(plot, "set terminal %s size 1280,%u font 'sans,11' background '" COLOUR_PAPER "'\n",
            svg ? "svg" : "pngcairo", height);
    fprintf(plot, "set output ");
    plot_text(plot, path);
    fprintf(plot, "\nset encoding utf8\nset grid lt 1 lw 1 lc rgb '" COLOUR_GRID
                  "'\nset border lc rgb '" COLOUR_FRAME "'\n"
                  "set tics textcolor rgb '" COLOUR_TEXT "'\n");
    return plot;
}

bool plot_close(FILE *plot, const char *path)
{
    FILE *drawn;

    fprintf(plot, "set output\n");
    if (pclose(plot) != 0) {
        fprintf(stderr, "nestplug: gnuplot could not draw %s\n", path);
        return false;
    }
    drawn = fopen(path, "rb");
    if (!drawn) {
        fprintf(stderr, "nestplug: %s cannot be written\n", path);
        return false;
    }
    fclose(drawn);
    return true;
}
