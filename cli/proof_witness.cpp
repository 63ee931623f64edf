#include "proof_witness.hpp"

#include <algorithm>
#include <atomic>
#include <cstdio>
#include <mutex>
#include <thread>

#include <unistd.h>

#include "command.hpp"
#include "inky_margin/text/columns.hpp"
#include "interruption.hpp"
#include "text/escape.hpp"
#include "text/utf8.hpp"
#include "toolchain/programs.hpp"
#include "witness.hpp"

namespace inky::cli {

namespace {

using toolchain::Toolchain;
using toolchain::Witness;

struct Testimony {
  const Dialect* dialect = nullptr;
  std::optional<Error> error;  // no program was made
  std::string expected;
  Witness witness;
  std::string version;

  bool agrees() const {
    return witness.stage == Witness::Stage::printed && witness.output == expected;
  }
  bool is_missing() const { return !error && witness.stage == Witness::Stage::missing; }
  bool is_not_asked() const {
    return !error && (witness.stage == Witness::Stage::not_asked ||
                      witness.stage == Witness::Stage::interrupted);
  }
};

void ask(Testimony& out, const ProgramRequest& request, const Sheet& sheet, const Table& table,
         const toolchain::WitnessCache* cache, const toolchain::RunLimits& limits) {
  const Result<TableProgram> program = program_of(request, *out.dialect, sheet, table);
  const Toolchain* known = toolchain::toolchain_of(out.dialect->facts().id);
  if (!program) {
    out.error = program.error();
    return;
  }
  if (known == nullptr) return;
  out.expected = program->text();
  out.witness = toolchain::run_program(*known, program->source, limits, cache);
  if (out.witness.stage != Witness::Stage::missing)
    out.version = toolchain::version_of(out.witness.program).value_or(out.witness.program);
}

// How many are done, on a terminal.
class ProgramsProgress {
 public:
  explicit ProgramsProgress(std::size_t all) : all_(all), shows_(::isatty(2) != 0 && all > 1) {
    show();
  }
  ProgramsProgress(const ProgramsProgress&) = delete;
  ProgramsProgress& operator=(const ProgramsProgress&) = delete;
  ~ProgramsProgress() {
    if (shows_) write_progress({});
  }
  void add() {
    const std::lock_guard lock(mutex_);
    ++done_;
    show();
  }

 private:
  void show() const {
    if (!shows_) return;
    const std::string text =
        std::to_string(done_) + " of " + counted(all_, "language") + " witnessed";
    write_progress(text);
  }
  std::size_t all_;
  std::size_t done_ = 0;
  bool shows_;
  std::mutex mutex_;
};

std::vector<Testimony> ask_all(const ProgramRequest& request, const Sheet& sheet,
                               const Table& table) {
  std::vector<Testimony> out(request.dialects.size());
  for (std::size_t i = 0; i < out.size(); ++i) out[i].dialect = request.dialects[i];
  const auto cache = request.cache ? usual_cache() : std::nullopt;
  ProgramsProgress progress(out.size());
  const Interruption interruption;
  toolchain::RunLimits limits;
  limits.stop = interruption.flag();
  std::atomic<std::size_t> next{0};
  const auto work = [&] {
    for (std::size_t i = next++; i < out.size(); i = next++) {
      try {
        ask(out[i], request, sheet, table, cache ? &*cache : nullptr, limits);
      } catch (const std::exception& error) {
        out[i].witness.stage = Witness::Stage::not_asked;
        out[i].witness.messages = error.what();
      }
      progress.add();
    }
  };
  const std::size_t hands =
      std::clamp<std::size_t>(std::thread::hardware_concurrency(), 1, out.size());
  std::vector<std::thread> threads;
  try {
    for (std::size_t i = 1; i < hands; ++i) threads.emplace_back(work);
  } catch (const std::system_error&) {
    // Fewer hands take longer.
  }
  work();
  for (std::thread& thread : threads) thread.join();
  return out;
}

// The first line that is not as it was predicted, under the ruler.
void put_difference(Screen& screen, const Testimony& one) {
  std::string_view expected = one.expected;
  std::string_view printed = one.witness.output;
  std::size_t line = 1;
  const auto first_of = [](std::string_view text) {
    return text.substr(0, std::min(text.find('\n'), text.size()));
  };
  while (!expected.empty() && !printed.empty() && first_of(expected) == first_of(printed)) {
    expected.remove_prefix(std::min(first_of(expected).size() + 1, expected.size()));
    printed.remove_prefix(std::min(first_of(printed).size() + 1, printed.size()));
    ++line;
  }
  const std::string said(first_of(expected));
  const std::string got(first_of(printed));
  screen.rule(std::max(measure(said, WidthUnit::columns), measure(got, WidthUnit::columns)));
  screen.label("said " + std::to_string(line));
  screen.line(with_visible_spaces(said, screen.look()));
  screen.label("printed");
  screen.tinted(Tint::warm, with_visible_spaces(got, screen.look()));
  screen.line();
  const auto at = std::mismatch(said.begin(), said.end(), got.begin(), got.end()).first;
  screen.label("");
  screen.line("they part at byte " + std::to_string(at - said.begin() + 1) + " of the line");
}

void put_testimony(Screen& screen, const Testimony& one) {
  screen.dialect_label(one.dialect->facts().id);
  if (one.error) {
    screen.dialect_paragraph("no program: " + visible(one.error->message) + ". " +
                             one.error->remedy);
    return;
  }
  if (one.is_missing()) {
    const Toolchain& known = *toolchain::toolchain_of(one.dialect->facts().id);
    screen.dialect_paragraph(
        "there is no " + std::string(known.form.programs.substr(0, known.form.programs.find(' '))) +
        " here. Debian has it in " + std::string(known.form.package) + ".");
    return;
  }
  if (one.agrees()) {
    screen.tinted(Tint::good, "the same " + counted(one.expected.size(), "byte"));
    screen.put("  ");
    screen.tinted(Tint::dim, visible(one.version));
    screen.line();
    return;
  }
  std::string deed;
  switch (one.witness.stage) {
    case Witness::Stage::stopped:
      deed = "was stopped: " + visible(one.witness.messages);
      break;
    case Witness::Stage::not_asked:
    case Witness::Stage::interrupted:
      deed = "could not be asked: " + visible(first_line(one.witness.messages));
      break;
    case Witness::Stage::refused:
      deed = "refused the program: " + visible(first_line(one.witness.messages));
      break;
    case Witness::Stage::failed:
      deed = "failed: " + visible(first_line(one.witness.messages));
      break;
    default:
      deed = "printed something else, " + counted(one.witness.output.size(), "byte") + " for " +
             std::to_string(one.expected.size());
      break;
  }
  screen.tinted(Tint::warm, deed);
  screen.line();
  if (one.witness.stage == Witness::Stage::printed) put_difference(screen, one);
}

void write_testimony(const Testimony& one, JsonWriter& out) {
  out.open_object();
  out.member("dialect", one.dialect->facts().id);
  if (one.error) {
    out.member("verdict", "no-program");
    out.member("message", one.error->message);
  } else if (one.is_missing()) {
    out.member("verdict", "missing");
  } else if (one.is_not_asked()) {
    out.member("toolchain", one.version);
    out.member("verdict", "not-asked");
    out.member("advice", one.witness.messages);
  } else {
    out.member("toolchain", one.version);
    out.member("verdict", one.agrees() ? "agrees" : "differs");
    if (const std::string open = left_open(one.witness); !open.empty()) out.member("open", open);
    out.member_number("bytes", one.witness.output.size());
    if (!one.agrees()) {
      out.member("said", one.expected);
      out.member("printed", one.witness.output);
      out.member("messages", one.witness.messages);
    }
  }
  out.close_object();
}

}  // namespace

int proof_witness(const ProgramRequest& request, const Sheet& sheet, const Table& table,
                  const Look& look) {
  const Result<Proof> proof = make_proof(sheet, table);
  if (!proof) return fail(proof.error());
  const std::vector<Testimony> testimonies = ask_all(request, sheet, table);
  int status = done;
  for (const Testimony& one : testimonies) {
    const bool fine =
        one.agrees() || ((one.is_missing() || one.is_not_asked()) && !request.require);
    if (!fine) status = answer_is_no;
  }
  if (request.json) {
    JsonWriter out(JsonWriter::Form::spread);
    out.open_object();
    out.open_list("witnesses");
    for (const Testimony& one : testimonies) write_testimony(one, out);
    out.close_list();
    out.close_object();
    return write_json(out) ? status : bad_request;
  }
  Screen screen(look);
  for (const Testimony& one : testimonies) put_testimony(screen, one);
  return write_out(screen.text()) ? status : bad_request;
}

}  // namespace inky::cli
