// inky help: the page of the guide that answers a question.

#include <memory>

#include "command.hpp"
#include "guide.hpp"
#include "inky_margin/dialect/dialect.hpp"
#include "text/escape.hpp"
#include "text/lower_case.hpp"

namespace inky::cli {

namespace {

constexpr const char* help_examples = R"(Examples:
  inky help                              the pages there are
  inky help align decimals               the page that has these words
  inky help thousands separator rust     and where the language's own page is
  inky help tables                       a page by its name
  inky help stored-off-tie               what the code of a note or an error means

Exit status: 0 there is such a page, 1 there is none, 2 bad request.)";

struct HelpOptions {
  std::vector<std::string> words;
  bool codes = false;
  bool ascii = false;
};

bool write_pages(const Look& look) {
  Screen screen(look);
  for (const GuidePage& page : guide_pages()) {
    screen.dialect_label(page.name, Tint::strong);
    screen.dialect_paragraph(title_of(page));
  }
  screen.line();
  screen.line("  inky help tables prints a page; inky show --help has the options of a command.");
  return write_out(screen.text());
}

// Dialects that a word of the question names, by id or language.
std::vector<const Dialect*> dialects_named(const std::vector<std::string>& words) {
  std::vector<const Dialect*> out;
  for (const Dialect* dialect : all_dialects()) {
    for (const std::string& word : words) {
      const std::string small = lower_case(word);
      if (small != dialect->facts().id && small != lower_case(dialect->facts().language)) continue;
      out.push_back(dialect);
      break;
    }
  }
  return out;
}

int run_help(const HelpOptions& options) {
  if (options.codes) return write_out(page_of_codes()) ? done : bad_request;
  const Look look = look_of(stdout, options.ascii);
  if (options.words.empty()) return write_pages(look) ? done : bad_request;
  std::string question;
  std::vector<std::string> words;
  for (const std::string& given : options.words) {
    words.push_back(unguarded(given));
    question += (question.empty() ? "" : " ") + words.back();
  }
  if (const std::string text = text_of_code(question); !text.empty()) {
    Screen screen(look);
    screen.tinted(Tint::strong, question);
    screen.line();
    screen.line();
    put_markdown(screen, text);
    return write_out(screen.text()) ? done : bad_request;
  }
  const std::vector<const GuidePage*> pages = find_pages(question);
  const std::vector<const Dialect*> dialects = dialects_named(words);
  if (pages.empty() && dialects.empty()) {
    fail({Code::bad_option,
          "no page of the guide has the words " + in_quotes(question),
          {},
          "inky help lists the pages."});
    return answer_is_no;
  }
  Screen screen(look);
  if (!pages.empty()) put_page(screen, *pages[0]);
  constexpr std::size_t most_others = 3;
  std::string others;
  for (std::size_t i = 1; i < pages.size() && i <= most_others; ++i)
    others += (i == 1 ? "Also:  inky help " : ", inky help ") + std::string(pages[i]->name);
  if (!others.empty()) screen.wrapped(others, 0, 0);
  for (const Dialect* dialect : dialects) {
    screen.wrapped("inky dialects " + std::string(dialect->facts().id) +
                       " has all letters, flags and escapes of " +
                       std::string(dialect->facts().facility) + " in " +
                       std::string(dialect->facts().language) + ".",
                   0, 0);
  }
  return write_out(screen.text()) ? done : bad_request;
}

}  // namespace

Action add_help(Command& tool) {
  auto options = std::make_shared<HelpOptions>();
  Command command =
      tool.command("help", "The page of the guide that answers a question", help_examples);
  command.takes("words", options->words, "Words of the question, the name of a page, or a code");
  command.flag("--codes", options->codes, "Every code of errors and notes, in Markdown");
  command.ascii_flag(options->ascii);
  return [options] { return run_help(*options); };
}

}  // namespace inky::cli
