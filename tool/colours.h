/* The plots' colours, chosen by scripts/colours: contrast with the paper (WCAG 2.2), and distance
 * from each other for readers with and without each sort of cone. */
#ifndef TOOL_COLOURS_H
#define TOOL_COLOURS_H

#define COLOUR_PAPER  "#ffffff"
#define COLOUR_LINE_1 "#123c78" /* x, and the stick as normalised */
#define COLOUR_LINE_2 "#c2500a" /* y, and the stick as shaped */
#define COLOUR_LINE_3 "#767067" /* raw */
#define COLOUR_TEXT   "#2b2b2b"
#define COLOUR_FRAME  "#8a8d91"
#define COLOUR_GRID   "#dcdee0"
#define COLOUR_ZONE   "#e9cfa6" /* where a dead zone is */

#endif
