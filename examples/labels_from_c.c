/* From C: one question asked in JSON, and labels printed from one template that is read once.

     cc labels_from_c.c $(pkg-config --cflags --libs inky_margin) */

#include <inky_margin.h>
#include <stdio.h>
#include <string.h>

static inky_value text(const char *bytes) {
  inky_value out = {.type = INKY_TEXT};
  out.as.text.bytes = bytes;
  out.as.text.size = strlen(bytes);
  return out;
}

static inky_value real(double number) {
  inky_value out = {.type = INKY_F64, .as.real = number};
  return out;
}

int main(void) {
  static const char request[] =
      "{\"dialect\": \"java\", \"template\": \"%.2f\", \"values\": [{\"f64\": \"1.005\"}]}";
  char *answer = inky_answer("show", request, sizeof request - 1);
  if (answer == NULL) return 1;
  printf("%s\n", answer);
  inky_free(answer);

  static const char source[] = "%-6s|%8.2f";
  char *error = NULL;
  inky_template *label = inky_parse("c", source, sizeof source - 1, &error);
  if (label == NULL) {
    fprintf(stderr, "%s\n", error == NULL ? "no memory" : error);
    inky_free(error);
    return 1;
  }
  static const struct {
    const char *code;
    double mass;
  } batches[] = {{"K-07", 2.675}, {"K-08", 125.5}, {"K-09", 0.125}};
  for (size_t i = 0; i < sizeof batches / sizeof *batches; ++i) {
    const inky_value values[] = {text(batches[i].code), real(batches[i].mass)};
    char room[64];
    size_t size = 0;
    if (inky_render(label, values, 2, room, sizeof room, &size, NULL) != INKY_PRINTS) return 1;
    printf("%.*s\n", (int)size, room);
  }

  /* The wrong way round: C gives that no meaning, and the answer says why. */
  const inky_value swapped[] = {real(2.675), text("K-07")};
  char *why = NULL;
  if (inky_render(label, swapped, 2, NULL, 0, NULL, &why) == INKY_UNDEFINED && why != NULL)
    printf("%s\n", why);
  inky_free(why);
  inky_template_free(label);
  return 0;
}
