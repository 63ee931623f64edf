// Moments with time zones, whose clocks the C library is asked about.

#include <array>
#include <catch2/catch.hpp>
#include <cstdlib>
#include <ctime>
#include <random>
#include <string>

#include "inky_margin/format/value.hpp"

using namespace inky;

namespace {

// What the C library's clocks of a zone show; it is set back to UTC behind it.
class ClocksOfZone {
 public:
  explicit ClocksOfZone(const std::string& zone) { set(zone); }
  ~ClocksOfZone() { set("UTC"); }
  ClocksOfZone(const ClocksOfZone&) = delete;
  ClocksOfZone& operator=(const ClocksOfZone&) = delete;

  static std::tm at(std::time_t second) {
    std::tm out{};
    localtime_r(&second, &out);
    return out;
  }

 private:
  static void set(const std::string& zone) {
    setenv("TZ", (":" + zone).c_str(), 1);
    tzset();
  }
};

std::string text_of(const std::tm& time) {
  std::array<char, 32> out{};
  return {out.data(), std::strftime(out.data(), out.size(), "%Y-%m-%dT%H:%M:%S", &time)};
}

constexpr std::array zones = {"Europe/Berlin",     "America/New_York",    "Europe/London",
                              "Europe/Dublin",     "Asia/Kolkata",        "Asia/Tokyo",
                              "Australia/Sydney",  "Australia/Lord_Howe", "America/St_Johns",
                              "America/Sao_Paulo", "Pacific/Apia",        "Pacific/Chatham",
                              "Africa/Casablanca", "Asia/Kathmandu",      "America/Santiago",
                              "Asia/Gaza",         "Antarctica/Troll",    "Asia/Tehran",
                              "America/Caracas",   "Africa/Windhoek",     "Europe/Lisbon",
                              "America/Havana",    "US/Eastern",          "GB",
                              "EST5EDT",           "Etc/GMT+5",           "UTC"};

}  // namespace

TEST_CASE("every zone has the offsets that the C library's clocks have") {
  std::mt19937_64 random(20310509);
  // From 1973 on, when the last clocks with seconds in their offsets were gone.
  std::uniform_int_distribution<std::time_t> seconds(94'694'400, 4'102'444'800);
  for (const std::string zone : zones) {
    const ClocksOfZone clocks(zone);
    for (int i = 0; i < 2000; ++i) {
      const std::time_t second = seconds(random);
      const std::tm shown = ClocksOfZone::at(second);
      const int minutes = static_cast<int>(shown.tm_gmtoff / 60);
      const std::string local = text_of(shown);
      INFO(zone << " " << local << " " << minutes);
      const auto with_offset = read_moment(local + offset_text(minutes) + "[" + zone + "]");
      REQUIRE(with_offset.has_value());
      CHECK(zone_name(with_offset->zone) == zone);
      CHECK(seconds_since_1970(*with_offset) - minutes * 60 == second);
      // Without an offset it is this one, or an earlier time that looks the same.
      const auto alone = read_moment(local + "[" + zone + "]");
      REQUIRE(alone.has_value());
      CHECK(*alone->offset >= minutes);
      CHECK(ClocksOfZone::at(seconds_since_1970(*alone) - *alone->offset * 60).tm_gmtoff ==
            *alone->offset * 60);
      // An offset that the clocks never have then.
      CHECK_FALSE(read_moment(local + offset_text(minutes + 7) + "[" + zone + "]").has_value());
    }
  }
}

TEST_CASE("a moment with a zone goes to its text and to one number, and back") {
  for (const char* text :
       {"2031-05-09T14:05:00+02:00[Europe/Berlin]", "2031-10-26T02:30:00+01:00[Europe/Berlin]",
        "1999-12-31T23:59:59.999+05:30[Asia/Kolkata]", "2031-01-01T00:00:00Z[UTC]"}) {
    INFO(text);
    const auto read = read_moment(text);
    REQUIRE(read.has_value());
    CHECK(moment_text(*read) == text);
    CHECK(Moment::unpacked(read->packed()) == *read);
    CHECK(describe(Value::moment(*read)) == text);
  }
}

TEST_CASE("a number that no zone has, and a zone without an offset, are no zone of a value") {
  const Zone berlin = read_moment("2031-05-09T14:05[Europe/Berlin]")->zone;
  const Moment wrong[] = {{2031, 5, 9, 14, 5, 0, 0, 120, 60'000},
                          {2031, 5, 9, 14, 5, 0, 0, {}, berlin}};
  for (const Moment& moment : wrong) {
    CHECK(Value::moment(moment).as_moment().zone == 0);
    CHECK(describe(Value::moment(moment)).find('[') == std::string::npos);
  }
  CHECK(zone_name(0).empty());
  CHECK(zone_name(60'000).empty());
  CHECK(moment_text(wrong[0]) == "2031-05-09T14:05:00+02:00");
}

TEST_CASE("of a time that clocks show twice, the earlier is taken; what they skip is none") {
  CHECK(read_moment("2031-10-26T02:30[Europe/Berlin]")->offset == 120);
  CHECK(read_moment("2031-11-02T01:30[America/New_York]")->offset == -240);
  CHECK(read_moment("2031-10-26T02:30+01:00[Europe/Berlin]")->offset == 60);
  for (const char* text :
       {"2031-03-30T02:30[Europe/Berlin]", "2031-03-09T02:30[America/New_York]",
        "1969-12-31T12:00[Europe/Berlin]", "9999-12-31T23:59[Europe/Berlin]",
        "2031-05-09T14:05[Europe/Berlin", "2031-05-09T14:05[]", "2031-05-09T14:05[",
        "2031-05-09T14:05]", "2031-05-09T14:05[europe/berlin]", "2031-05-09[Europe/Berlin]",
        "2031-05-09T14:05[Europe/Berlin][UTC]", "2031-05-09T14:05[Europe/Berlin]Z",
        "2031-05-09T14:05+02:00 [Europe/Berlin]", "1971-06-01T12:00[Africa/Monrovia]"}) {
    INFO(text);
    CHECK_FALSE(read_moment(text).has_value());
  }
}

TEST_CASE("a zone that is not there is named, and so is a time that its clocks do not show") {
  const auto unknown = read_value("2031-05-09T14:05[Europe/Berlim]:moment");
  REQUIRE_FALSE(unknown.ok());
  CHECK(unknown.error().message == "no time zone is called \"Europe/Berlim\"");
  const auto skipped = read_value("2031-03-30T02:30[Europe/Berlin]:moment");
  REQUIRE_FALSE(skipped.ok());
  CHECK(skipped.error().message == "no clock of Europe/Berlin shows this time");
  CHECK_FALSE(skipped.error().remedy.empty());
  // What is wrong before the brackets is not their fault.
  CHECK(read_value("2031-02-30T02:30[Europe/Berlin]:moment").error().message ==
        "\"2031-02-30T02:30[Europe/Berlin]\" is not a moment");
}
