/* How wide labels are. */
#include "support.h"
#ifdef NPLUG_HAS_CELLS
#include "nestplug/cells.h"
#include <stdlib.h>
#include <string.h>

static const struct {
    const char *text;
    size_t cells;
} rows[] = {{"", 0},
            {"Esc", 3},
            {"\xc3\xa9", 1},                 /* e with an acute accent */
            {"e\xcc\x81", 1},                /* the same in two characters */
            {"\xe2\x86\x91", 1},             /* an arrow */
            {"\xd7\xa9", 1},                 /* Hebrew */
            {"\xe6\xb8\xaf", 2},             /* a Han character */
            {"\xe3\x81\xb2", 2},             /* Hiragana */
            {"\xe1\x84\x92\xe1\x85\xa1", 2}, /* a Hangul syllable in two pieces */
            {"\xf0\x9f\x9a\xa2", 2},         /* a ship */
            {"\xe2\x9a\x93\xef\xb8\x8f", 2}, /* an anchor that is to be a picture */
            {"\xf0\x9f\x91\xa9\xe2\x80\x8d\xf0\x9f\x9a\x80", 2}, /* two pictures joined into one */
            {"\xe2\x81\xa8\xd7\xa9\xe2\x81\xa9", 1},             /* between marks */
            {"\xff\xfe", 2}};                                    /* no UTF-8 */

TESTS(a_label_takes_as_much_as_is_seen, COUNT_OF(rows))
{
    ck_assert_uint_eq(nplug_text_cells(rows[_i].text), rows[_i].cells);
}

/* Texts in a row, with something of their own between, take as much as all of them. */
TESTS(labels_in_a_row_take_the_sum, 4)
{
    srand((unsigned)_i + 31);
    for (int n = 0; n < 200; n++) {
        char text[400] = "";
        size_t sum = 0;
        for (int i = rand() % 12; i > 0; i--) {
            size_t row = (size_t)rand() % COUNT_OF(rows);
            strcat(strcat(text, rows[row].text), " ");
            sum += rows[row].cells + 1;
        }
        ck_assert_uint_eq(nplug_text_cells(text), sum);
    }
    ck_assert_uint_eq(nplug_text_cells(NULL), 0);
}
#endif
