/* A box of the terminal's screen with a frame. */
#ifndef TOOL_PANE_H
#define TOOL_PANE_H

/* Its upper left, and its size with the frame, in cells. */
typedef struct pane {
    int y, x, height, width;
} pane;

/* Draws the frame, with a name in its upper edge (NULL: none). */
void pane_frame(const pane *on, const char *name);

/* The cell of a value between two ends, from 0 to cells - 1, held within. */
int pane_cell(float value, float least, float most, int cells);

#endif
