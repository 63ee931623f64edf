/* Inky Margin for C, and for every language that can call C: what a format specifier prints, to
   the byte, and why. C11.

     char *answer = inky_answer("show", request, strlen(request));
     puts(answer);                          // {"text":"2.67","notes":[...]}
     inky_free(answer);

   inky_answer() takes the requests that `inky show --jsonl` and its like read; docs/contract.md has
   every key. Where one template renders many values, inky_parse() and inky_render() read it once.

   Every function may be called by any number of threads at once, a template may be shared by them,
   and nothing is ever thrown across this border. Texts are UTF-8, with their size in bytes; those
   that end in a zero byte are named so. */
#ifndef INKY_MARGIN_H
#define INKY_MARGIN_H

#include <stddef.h>
#include <stdint.h>

#if defined(INKY_MARGIN_BUILD)
#define INKY_MARGIN_API __attribute__((visibility("default")))
#else
#define INKY_MARGIN_API
#endif

#ifdef __cplusplus
extern "C" {
#endif

/* "0.1.0", ending in a zero byte. It need not be freed. */
INKY_MARGIN_API const char *inky_version(void);

/* The answer to one request of the contract: one JSON object, ending in a zero byte. `command` is
   "carry", "check", "proof", "round", "show", "weigh" or "write", and ends in a zero byte. Whatever is wrong
   with either is told in the answer, as {"error": {"code", "message", "span", "remedy"}}. Null only
   where memory ran out. Give it to inky_free(). */
INKY_MARGIN_API char *inky_answer(const char *command, const char *request, size_t request_size);

/* Frees what a function of this header returned or stored as a char*. Null is fine. */
INKY_MARGIN_API void inky_free(char *text);

/* ---- Read once, rendered often ---- */

typedef struct inky_template inky_template;

/* Reads a template of a dialect such as "c", whose id ends in a zero byte. Null where that fails;
   then *error, if error is not null, is {"error": ...}, or null where memory ran out. */
INKY_MARGIN_API inky_template *inky_parse(const char *dialect, const char *source,
                                          size_t source_size, char **error);

/* Null is fine. */
INKY_MARGIN_API void inky_template_free(inky_template *template_);

typedef enum inky_type {
  INKY_NIL = 0,
  INKY_I8 = 1,
  INKY_I16 = 2,
  INKY_I32 = 3,
  INKY_I64 = 4,
  INKY_U8 = 5,
  INKY_U16 = 6,
  INKY_U32 = 7,
  INKY_U64 = 8,
  INKY_F32 = 9,
  INKY_F64 = 10,
  INKY_TEXT = 11,
  INKY_CHARACTER = 12, /* one Unicode scalar value */
  INKY_TRUTH = 13
} inky_type;

/* Which member counts, the type says. Values of other types go through inky_answer(). */
typedef struct inky_value {
  int32_t type; /* one of inky_type */
  union {
    int64_t whole;      /* INKY_I8 to INKY_I64; has to fit the type */
    uint64_t natural;   /* INKY_U8 to INKY_U64; has to fit the type */
    double real;        /* INKY_F64; INKY_F32, rounded to it */
    uint32_t character; /* INKY_CHARACTER */
    int truth;          /* INKY_TRUTH: 0 or not */
    struct {
      const char *bytes;
      size_t size;
    } text; /* INKY_TEXT, in UTF-8 */
  } as;
} inky_value;

typedef enum inky_outcome {
  INKY_PRINTS = 0,        /* the text is in `out` */
  INKY_COMPLAINS = 1,     /* the text is in `out`, and the language complains of it */
  INKY_FAILS_COMPILE = 2, /* the language refuses the template */
  INKY_FAILS_RUN = 3,     /* the language fails when it prints */
  INKY_UNDEFINED = 4,     /* the language gives this no meaning */
  INKY_ERROR = 5,         /* the request is bad, or not supported yet */
  INKY_NO_MEMORY = 6
} inky_outcome;

/* Renders a template with `count` values. As much of the text as `room` bytes hold goes to `out`,
   without a zero byte; *size, if size is not null, is what the whole text takes, or 0 where nothing
   is printed. `out` may be null
   where room is 0, and `values` where count is 0. `why` may be null; else *why is null where it
   prints without a complaint, and else what the contract answers besides the text: {"complaints":
   ...}, {"fails": ...}, {"undefined": ...} or {"error": ...}, for inky_free(). */
INKY_MARGIN_API inky_outcome inky_render(const inky_template *template_, const inky_value *values,
                                         size_t count, char *out, size_t room, size_t *size,
                                         char **why);

#ifdef __cplusplus
}
#endif

#endif
