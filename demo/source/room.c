// Prints the batches of the ink room. Some of its calls are wrong: inky check demo/source/room.c
#include <inttypes.h>
#include <stdio.h>

struct batch {
  const char *code;
  double mass;
};

static void print_batch(const struct batch *batch, long lot, uint64_t drops) {
  unsigned long count = 3;
  double viscosity = 0.125;
  printf("%-8s|%8.2f|\n", batch->code, batch->mass);
  printf("lot %x, %d drops\n", lot, viscosity);
  printf("%" PRIu64 " of %lu\n", drops, count);
  printf("%s: %5.1f%\n", "K-07", viscosity);
  /* printf("%d", 2.5) is only a comment */
  printf("%-08.3f g and "
         "%d mPa\n", 12.5);
}

int main(void) {
  const struct batch batch = {"K-07", 12.5};
  print_batch(&batch, 1031, 42);
  puts("%d is no format here");
  return 0;
}
