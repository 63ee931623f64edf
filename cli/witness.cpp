#include "witness.hpp"

#include <algorithm>
#include <cstdlib>

#include "command.hpp"
#include "contract/answers.hpp"
#include "dialect/program_form.hpp"
#include "inky_margin/write/program.hpp"
#include "interruption.hpp"
#include "text/escape.hpp"
#include "toolchain/environment.hpp"
#include "toolchain/programs.hpp"
#include "toolchain/witness.hpp"

namespace inky::cli {

namespace {

using toolchain::Toolchain;
using toolchain::Witness;

std::string bytes_text(std::size_t count) {
  return std::to_string(count) + (count == 1 ? " byte" : " bytes");
}

// What a program that ended so did, in words.
std::string deed_of(const Witness& witness) {
  switch (witness.stage) {
    case Witness::Stage::stopped:
      return "was stopped: " + witness.messages;
    case Witness::Stage::refused:
      return "refused the program: " + first_line(witness.messages);
    case Witness::Stage::failed:
      return "ran it, and it failed: " + first_line(witness.messages);
    default:
      return "printed " + bytes_text(witness.output.size());
  }
}

std::optional<Error> refuse(const ShowRequest& request, const Report& report) {
  const auto not_yet = [](const std::string& what, std::string remedy) {
    return Error{Code::not_supported_yet,
                 what + " in a witnessed program is not supported yet",
                 {},
                 std::move(remedy)};
  };
  if (request.width_of)
    return Error{Code::contradiction,
                 "--width-of is not what the language counts, so no toolchain can witness it",
                 {},
                 "Leave --width-of out."};
  if (report.texts) return not_yet("several texts", "Give values of one element.");
  return std::nullopt;
}

// Why this machine has no such locale; empty where it may have it.
std::string missing_locale(SettingForm::Source source, std::string_view locale) {
  if (source == SettingForm::Source::c_library && !toolchain::has_c_locale(std::string(locale)))
    return "there is no locale " + std::string(locale) + " here; localedef or locale-gen make it";
  if (source == SettingForm::Source::icu && !toolchain::has_cultures())
    return "there is no library of cultures here; Debian has it in libicu72";
  return {};
}

// Runs it with the settings chosen, as far as its environment has them. Returns what the machine
// lacks for them; empty: nothing.
std::string choose_settings(const ShowRequest& request, RunForm& run) {
  const DialectFacts& facts = request.dialect->facts();
  std::string missing;
  for (const Setting& setting : request.settings) {
    const SettingForm* form = find_setting_form(facts, setting.name);
    if (form == nullptr || setting.value == find_setting(facts, setting.name)->usual) continue;
    if (form->source == SettingForm::Source::icu_by_environment) run.locale = setting.value;
    const char* folder = std::getenv("LOCPATH");
    if (form->source == SettingForm::Source::c_library && folder != nullptr && *folder == '/')
      run.locale_folder = folder;
    missing += missing_locale(form->source, setting.value);
  }
  return missing;
}

}  // namespace

std::string first_line(std::string_view text) {
  while (!text.empty() && (text.front() == '\n' || text.front() == ' ')) text.remove_prefix(1);
  return std::string(text.substr(0, text.find('\n')));
}

std::string left_open(const Witness& witness) {
  if (witness.kept || witness.confinement.whole()) return {};
  std::string out;
  const auto add = [&](bool closed, const char* what) {
    if (!closed) out += (out.empty() ? "" : ", ") + std::string(what);
  };
  add(witness.confinement.network, "the network");
  add(witness.confinement.files, "writing to other files");
  add(witness.confinement.processes, "seeing other processes");
  add(witness.confinement.rights, "the rights of its user");
  return out;
}

std::optional<toolchain::WitnessCache> usual_cache() {
  const std::optional<std::string> folder = toolchain::usual_cache_folder();
  if (!folder) return std::nullopt;
  return toolchain::WitnessCache(*folder);
}

Result<std::string> program_of(const ShowRequest& request, const Template& parsed) {
  return write_program(*request.dialect, parsed, request.values, request.settings);
}

Result<Witnessed> ask_witness(const ShowRequest& request, const Template& parsed,
                              const Outcome& outcome, std::string_view text, const Report& report,
                              const toolchain::WitnessCache* cache) {
  if (auto error = refuse(request, report)) return std::move(*error);
  if (outcome.kind() == Outcome::Kind::error) return outcome.as_error();
  const Result<std::string> source = program_of(request, parsed);
  if (!source) return source.error();
  const std::string_view id = request.dialect->facts().id;
  const Toolchain* known = toolchain::toolchain_of(id);
  if (known == nullptr)
    return Error{Code::not_supported_yet,
                 "a witness of " + std::string(id) + " is not supported yet",
                 {},
                 "The other languages have one."};
  Toolchain asked = *known;
  const std::string missing = choose_settings(request, asked.form);
  Witnessed out;
  if (const auto program = toolchain::find_toolchain(asked); program && !missing.empty()) {
    out.verdict = Witnessed::Verdict::not_asked;
    out.toolchain = toolchain::version_of(program->front()).value_or(program->front());
    out.advice = missing;
    return out;
  }
  const Interruption interruption;
  toolchain::RunLimits limits;
  limits.stop = interruption.flag();
  const Witness witness = toolchain::run_program(asked, *source, limits, cache);
  if (witness.stage == Witness::Stage::missing) {
    out.toolchain = known->form.programs.substr(0, known->form.programs.find(' '));
    out.advice = "Debian has it in " + std::string(known->form.package) + ".";
    return out;
  }
  out.toolchain = toolchain::version_of(witness.program).value_or(witness.program);
  if (witness.stage == Witness::Stage::not_asked || witness.stage == Witness::Stage::interrupted) {
    out.verdict = Witnessed::Verdict::not_asked;
    out.advice = witness.messages;
    return out;
  }
  out.text = witness.output;
  out.messages = witness.messages;
  out.open = left_open(witness);
  const bool printed = witness.stage == Witness::Stage::printed;
  const bool refused = witness.stage == Witness::Stage::refused;
  const bool failed = witness.stage == Witness::Stage::failed;
  bool agrees = false;
  switch (outcome.kind()) {
    case Outcome::Kind::prints:
      agrees = printed && witness.output == text;
      out.said = "prints " + bytes_text(text.size());
      break;
    case Outcome::Kind::complains:
      agrees = (printed || failed) && witness.output == text &&
               (!outcome.status() || witness.status == *outcome.status());
      out.said = "prints " + bytes_text(text.size()) + ", and complains";
      if (outcome.status()) out.said += " with status " + std::to_string(*outcome.status());
      break;
    case Outcome::Kind::fails_compile:
      // An interpreter compiles when it runs.
      agrees = refused || failed;
      out.said = "is refused";
      break;
    case Outcome::Kind::fails_run:
      agrees = failed;
      out.said = "fails when it runs";
      break;
    default:
      out.verdict = Witnessed::Verdict::incomparable;
      out.happened = deed_of(witness);
      return out;
  }
  out.happened = deed_of(witness);
  if (outcome.kind() == Outcome::Kind::complains && failed)
    out.happened = "printed " + bytes_text(witness.output.size()) + ", ended with status " +
                   std::to_string(witness.status) + ", and said: " + first_line(witness.messages);
  out.verdict = agrees ? Witnessed::Verdict::agrees : Witnessed::Verdict::differs;
  return out;
}

void write_witnessed(const Witnessed& witnessed, JsonWriter& out) {
  constexpr std::string_view verdicts[] = {"agrees", "differs", "incomparable", "missing",
                                           "not-asked"};
  out.open_object("witness");
  out.member("verdict", verdicts[static_cast<std::size_t>(witnessed.verdict)]);
  out.member("toolchain", witnessed.toolchain);
  if (!witnessed.open.empty()) out.member("open", witnessed.open);
  if (witnessed.verdict == Witnessed::Verdict::missing ||
      witnessed.verdict == Witnessed::Verdict::not_asked) {
    out.member("advice", witnessed.advice);
  } else {
    write_text_or_bytes(witnessed.text, out);
    if (!witnessed.messages.empty()) out.member("messages", witnessed.messages);
  }
  out.close_object();
}

namespace {

void put_open(Screen& screen, const Witnessed& witnessed) {
  if (witnessed.open.empty()) return;
  screen.label("");
  screen.paragraph("this kernel does not let the program be kept from " + witnessed.open);
}

}  // namespace

void put_witness(Screen& screen, const Witnessed& witnessed, std::string_view text) {
  screen.line();
  screen.label("witness");
  switch (witnessed.verdict) {
    case Witnessed::Verdict::agrees:
      screen.tinted(Tint::good, visible(witnessed.toolchain));
      screen.line();
      screen.label("");
      screen.paragraph(witnessed.happened +
                       (witnessed.said.starts_with("prints") ? ", the same" : ", as was said"));
      put_open(screen, witnessed);
      return;
    case Witnessed::Verdict::missing:
      screen.paragraph("there is no " + witnessed.toolchain + " here. " + witnessed.advice);
      return;
    case Witnessed::Verdict::not_asked:
      screen.paragraph(visible(witnessed.toolchain) +
                       " could not be asked: " + visible(first_line(witnessed.advice)));
      return;
    case Witnessed::Verdict::incomparable:
      screen.line(visible(witnessed.toolchain));
      screen.label("");
      screen.paragraph(visible(witnessed.happened) +
                       ", this time; the language leaves it undefined, so there is nothing to hold "
                       "it against");
      break;
    case Witnessed::Verdict::differs: {
      screen.tinted(Tint::warm, visible(witnessed.toolchain));
      screen.line();
      screen.label("");
      screen.paragraph("it was said that this " + witnessed.said + ", and it " +
                       visible(witnessed.happened));
      const auto first =
          std::mismatch(text.begin(), text.end(), witnessed.text.begin(), witnessed.text.end())
              .first;
      if (witnessed.said.starts_with("prints")) {
        screen.label("");
        screen.paragraph("they part at byte " + std::to_string(first - text.begin() + 1));
      }
      break;
    }
  }
  put_open(screen, witnessed);
  if (witnessed.text.empty()) return;
  screen.label("printed");
  screen.line(with_visible_spaces(witnessed.text, screen.look()));
}

int status_with(int status, const Witnessed& witnessed, bool required) {
  const bool missed = required && (witnessed.verdict == Witnessed::Verdict::missing ||
                                   witnessed.verdict == Witnessed::Verdict::not_asked);
  const bool differs = witnessed.verdict == Witnessed::Verdict::differs;
  return status == done && (missed || differs) ? answer_is_no : status;
}

}  // namespace inky::cli
