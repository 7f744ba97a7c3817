/* How wide a text is in a terminal. */
#ifndef WIDTH_H
#define WIDTH_H

/* In cells: by Unicode's tables, where the tool is built with them, or one for each character. */
int width_of(const char *text);

/* Prints a text, and blanks after it up to a width. */
void width_print(const char *text, int width);

#endif
