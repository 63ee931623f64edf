/* The yardstick of a printed sheet: the usual loop of C over the same CSV. Lines by getline, cells
   at commas (the data has no quotes), numbers by strtod and strtol, rows by fprintf. */
#include <stdio.h>
#include <stdlib.h>
#include <string.h>

int main(int count, char** words) {
  if (count != 2) return 2;
  FILE* in = fopen(words[1], "r");
  if (in == NULL) return 2;
  char* line = NULL;
  size_t room = 0;
  if (getline(&line, &room, in) < 0) return 2;
  fputs("Batch     Pigment          Mass (g)    Density     Shade      Lot    Cost/l\n", stdout);
  fputs("--------  --------------  ---------  ---------  --------  -------  --------\n", stdout);
  while (getline(&line, &room, in) > 0) {
    char* cells[7];
    char* rest = line;
    for (int i = 0; i < 7; ++i) {
      cells[i] = rest;
      rest += strcspn(rest, ",\n");
      if (*rest != '\0') *rest++ = '\0';
    }
    fprintf(stdout, "%-8s  %-14s  %9.2f  %9.3f  %8.3f  %7ld  %8.2f\n", cells[0], cells[1],
            strtod(cells[2], NULL), strtod(cells[3], NULL), strtod(cells[4], NULL),
            strtol(cells[5], NULL, 10), strtod(cells[6], NULL));
  }
  free(line);
  return fclose(in) == 0 ? 0 : 1;
}
