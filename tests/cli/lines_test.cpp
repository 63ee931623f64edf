// Lines of requests: answered in order, and before the tool waits for more.

#include <sys/wait.h>
#include <unistd.h>

#include <catch2/catch.hpp>
#include <nlohmann/json.hpp>
#include <string>

#include "support/process.hpp"
#include "support/random_values.hpp"

using nlohmann::json;

namespace {

// The tool with both ends of a conversation.
class Conversation {
 public:
  explicit Conversation(const char* command) {
    int to[2];
    int from[2];
    REQUIRE(pipe(to) == 0);
    REQUIRE(pipe(from) == 0);
    child_ = fork();
    REQUIRE(child_ >= 0);
    if (child_ == 0) {
      dup2(to[0], STDIN_FILENO);
      dup2(from[1], STDOUT_FILENO);
      for (const int end : {to[0], to[1], from[0], from[1]}) close(end);
      execl(INKY_BUILD_DIR "/cli/inky", "inky", command, "--jsonl", nullptr);
      _exit(127);
    }
    close(to[0]);
    close(from[1]);
    to_ = to[1];
    from_ = from[0];
  }
  ~Conversation() {
    close(to_);
    close(from_);
    waitpid(child_, nullptr, 0);
  }
  void say(const std::string& text) {
    REQUIRE(write(to_, text.data(), text.size()) == static_cast<ssize_t>(text.size()));
  }
  // Waits for a line; a tool that kept it back would hang here, which the time limit of the test
  // ends.
  std::string hear() {
    std::string line;
    for (char c = 0; read(from_, &c, 1) == 1 && c != '\n';) line += c;
    return line;
  }

 private:
  pid_t child_ = 0;
  int to_ = 0;
  int from_ = 0;
};

std::string request(int i) {
  return "{\"number\":\"" + std::to_string(i) + ".5\"}";
}

}  // namespace

TEST_CASE("an answer comes before the next question is asked") {
  alarm(20);
  Conversation weigh("weigh");
  for (int i = 0; i < 20; ++i) {
    weigh.say(request(i) + "\n");
    REQUIRE(json::parse(weigh.hear())["typed"] == std::to_string(i) + ".5");
  }
  // Two at once, the second in two pieces.
  weigh.say(request(1) + "\n" + request(2).substr(0, 7));
  CHECK(json::parse(weigh.hear())["typed"] == "1.5");
  weigh.say(request(2).substr(7) + "\r\n");
  CHECK(json::parse(weigh.hear())["typed"] == "2.5");
  Conversation show("show");
  show.say("{\"dialect\":\"c\",\"template\":\"%d\",\"values\":[7]}\n");
  CHECK(json::parse(show.hear())["text"] == "7");
  alarm(0);
}

TEST_CASE("many lines in any pieces are answered once each, in order") {
  support::RandomValues random(support::seed(77));
  std::string input;
  const int count = 20'000;
  for (int i = 0; i < count; ++i)
    input +=
        (random.one_in(50) ? std::string("not JSON") : request(i)) + (i + 1 < count ? "\n" : "");
  // The last line has no end.
  const support::Ran all = support::run_tool("weigh --jsonl", input);
  std::size_t at = 0;
  for (int i = 0; i < count; ++i) {
    const std::size_t end = all.out.find('\n', at);
    REQUIRE(end != std::string::npos);
    const json answer = json::parse(all.out.substr(at, end - at));
    if (!answer.contains("error") || answer["error"].is_string()) {
      REQUIRE(answer["typed"] == std::to_string(i) + ".5");
    } else {
      REQUIRE(answer["error"]["code"] == "bad-json");
    }
    at = end + 1;
  }
  CHECK(at == all.out.size());
}

TEST_CASE("a line over the limit is refused, and the next one answered") {
  std::string input =
      "{\"number\":\"" + std::string(17'000'000, '1') + "\"}\n" + request(3) + "\n\n";
  const support::Ran ran = support::run_tool("weigh --jsonl", input);
  CHECK(ran.status == 0);
  const std::size_t first = ran.out.find('\n');
  CHECK(json::parse(ran.out.substr(0, first))["error"]["code"] == "over-limit");
  const std::size_t second = ran.out.find('\n', first + 1);
  CHECK(json::parse(ran.out.substr(first + 1, second - first - 1))["typed"] == "3.5");
  CHECK(json::parse(ran.out.substr(second + 1))["error"]["code"] == "bad-json");
}
