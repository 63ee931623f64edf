// Prints the batches of the ink room. Some of its calls are wrong.
using System;
using System.Globalization;

class Room {
  #region Don't stumble
  static void Main() {
    double mass = 12.5;
    int lot = 1031;
    Console.WriteLine("{0,-8}|{1,8:F2}|", "K-07", mass);
    Console.WriteLine("{0:D4} and {1:D4}", lot, mass);
    Console.WriteLine(string.Format(CultureInfo.InvariantCulture, "{0} {1} {2}", lot, mass));
    Console.WriteLine(@"a ""path"" {0:X", lot);
    Console.WriteLine($"{mass,8:F2}|{(lot > 3 ? "a" : "b")}|{lot:Q}|{{}}");
    Console.WriteLine("{braces} without values");
  }
  #endregion
}
