#include "proof_stream.hpp"

#include <unistd.h>

#include <cerrno>
#include <chrono>
#include <cstdio>
#include <cstring>
#include <deque>
#include <filesystem>
#include <memory>

#include "command.hpp"
#include "screen.hpp"
#include "sheet/csv_reader.hpp"
#include "sheet/sheet_stream.hpp"
#include "text/escape.hpp"

namespace inky::cli {

namespace {

constexpr std::size_t piece_size = std::size_t{256} * 1024;

struct Close {
  void operator()(std::FILE* file) const {
    if (file != stdin) std::fclose(file);
  }
};

// The data piece by piece, and again from the start. Of standard input, what was read is kept until
// it was read again.
class Source {
 public:
  explicit Source(const std::string& path)
      : is_input_(path == "-"), file_(is_input_ ? stdin : std::fopen(path.c_str(), "rb")) {
    std::error_code failed;
    if (!is_input_) size_ = std::filesystem::file_size(path, failed);
    if (failed) size_ = 0;
  }
  bool is_open() const { return file_ != nullptr; }
  std::uintmax_t size() const { return size_; }  // 0: not known
  std::uintmax_t read_so_far() const { return read_; }

  // Empty at the end, and where reading fails; then failed() reports it.
  std::string_view next(bool keeps) {
    if (!kept_.empty() && !keeps) {
      room_ = std::move(kept_.front());
      kept_.pop_front();
      return room_;
    }
    room_.resize(piece_size);
    const std::size_t has = std::fread(room_.data(), 1, room_.size(), file_.get());
    room_.resize(has);
    read_ += has;
    if (keeps && is_input_) kept_.push_back(room_);
    return room_;
  }
  void again() {
    if (is_input_) return;
    std::rewind(file_.get());
    read_ = 0;
  }
  bool failed() const { return std::ferror(file_.get()) != 0; }

 private:
  bool is_input_;
  std::unique_ptr<std::FILE, Close> file_;
  std::uintmax_t size_ = 0;
  std::uintmax_t read_ = 0;
  std::string room_;
  std::deque<std::string> kept_;
};

// A bar on standard error, where that is a terminal and the work takes a while.
class Progress {
 public:
  explicit Progress(std::uintmax_t all)
      : all_(all), shows_(all != 0 && ::isatty(2) != 0), next_(Clock::now() + first_wait) {}
  Progress(const Progress&) = delete;
  Progress& operator=(const Progress&) = delete;
  ~Progress() {
    if (has_shown_) write_progress({});
  }
  void at(std::uintmax_t done, const char* what) {
    if (!shows_ || Clock::now() < next_) return;
    constexpr std::uintmax_t cells = 30;
    const auto full = static_cast<std::size_t>(done * cells / all_);
    const std::string bar =
        std::string(full, '#') + std::string(cells - std::min<std::size_t>(full, cells), '.');
    write_progress(std::string(what) + " [" + bar + "] " + std::to_string(done * 100 / all_) + "%");
    has_shown_ = true;
    next_ = Clock::now() + std::chrono::milliseconds(100);
  }

 private:
  using Clock = std::chrono::steady_clock;
  static constexpr std::chrono::milliseconds first_wait{500};
  std::uintmax_t all_;
  bool shows_;
  bool has_shown_ = false;
  Clock::time_point next_;
};

// Lines to standard output; findings counted, and the first of them kept.
class LinesOut final : public ProofSink {
 public:
  bool wants_cells() const override { return false; }
  void take(const PlacedLine& line) override {
    out_.append(line.text);
    out_ += '\n';
    if (out_.size() >= piece_size) flush();
  }
  void take(Finding finding) override {
    constexpr std::size_t most_kept = 5;
    if (++count_ <= most_kept) findings_.push_back(std::move(finding));
  }

  // False once something could not be written.
  bool flush() {
    if (is_written_ && !out_.empty()) is_written_ = write_piece(out_);
    out_.clear();
    return is_written_;
  }
  std::size_t count() const { return count_; }

  void say_findings() const {
    if (count_ == 0) return;
    std::string text;
    for (const Finding& finding : findings_) {
      text += "inky: ";
      if (finding.line != 0) text += "line " + std::to_string(finding.line) + ": ";
      if (!finding.column.empty()) text += visible(finding.column) + ": ";
      text += finding.message + " [" + std::string(name_of(finding.kind)) + "]\n";
    }
    if (count_ > findings_.size())
      text += "inky: and " + std::to_string(count_ - findings_.size()) + " more\n";
    write_error(text);
  }

 private:
  std::string out_;
  bool is_written_ = true;
  std::size_t count_ = 0;
  std::vector<Finding> findings_;
};

// Ends the reading with the first finding.
class StrictRows final : public ShapedRows {
 public:
  StrictRows(SheetStream& stream, const LinesOut& out) : stream_(stream), out_(out) {}
  void names(std::vector<std::string> names) override { stream_.names(std::move(names)); }
  bool row(std::size_t line, RowCells cells) override {
    if (out_.count() != 0) return false;
    return stream_.row(line, cells) && out_.count() == 0;
  }
  void fault(RowFault fault) override { stream_.fault(std::move(fault)); }

 private:
  SheetStream& stream_;
  const LinesOut& out_;
};

Error unreadable(const std::string& path) {
  return {Code::unreadable_file,
          in_quotes(path) + " cannot be read: " + std::strerror(errno),
          {},
          "Check the name and the permissions."};
}

}  // namespace

bool can_stream(const std::string& path) {
  if (path == "-") {
    // One character can be put back.
    const int first = std::getc(stdin);
    if (first != EOF) std::ungetc(first, stdin);
    return first != '{';
  }
  const std::unique_ptr<std::FILE, Close> file(std::fopen(path.c_str(), "rb"));
  if (!file) return false;
  int c = std::getc(file.get());
  while (c == ' ' || c == '\t' || c == '\r' || c == '\n') c = std::getc(file.get());
  return c != '{';
}

int proof_stream(const StreamRequest& request, const Sheet& sheet) {
  errno = 0;
  Source source(request.path);
  if (!source.is_open()) return fail(unreadable(request.path));
  LinesOut out;
  SheetStream stream(sheet, out);
  StrictRows strict(stream, out);
  ShapedRows& rows = request.strict ? static_cast<ShapedRows&>(strict) : stream;
  if (request.fit_rows) stream.set_most_fitted(*request.fit_rows);
  Progress progress(source.size());

  const auto pass = [&](bool keeps, const char* what) {
    RowShaper shaper(rows);
    CsvReader reader;
    bool goes_on = true;
    while (goes_on) {
      const std::string_view piece = source.next(keeps);
      if (piece.empty()) break;
      goes_on = reader.feed(piece, shaper);
      progress.at(source.read_so_far(), what);
      if (!out.flush()) return;
    }
    if (goes_on) (void)reader.finish(shaper);
  };
  if (stream.needs_fitting()) {
    pass(true, "measuring");
    stream.end_fitting();
    source.again();
  }
  pass(false, "printing");
  if (source.failed()) return fail(unreadable(request.path));
  const bool stopped = request.strict && out.count() != 0;
  std::optional<Error> error;
  if (!stopped) error = stream.finish();
  if (!out.flush() || !flush_out())
    return fail({Code::output_failed,
                 std::string("the output could not be written: ") + std::strerror(errno),
                 {},
                 "What was printed so far is not complete."});
  if (error) return fail(*error);
  out.say_findings();
  return out.count() == 0 ? done : answer_is_no;
}

}  // namespace inky::cli
