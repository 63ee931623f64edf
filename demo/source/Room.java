// Prints the batches of the ink room. Some of its calls are wrong.
import java.util.Locale;

class Room {
  public static void main(String[] arguments) {
    double mass = 12.5;
    int lot = 1031;
    String code = "K-07";
    System.out.printf("%-8s|%8.2f|%n", code, mass);
    System.out.printf(Locale.ROOT, "%d g%n", mass);
    System.out.println(String.format("%x and " + "%s %s", lot, code));
    System.out.println("%08.2f of %-d".formatted(mass, lot));
    char mark = '"'; // a quote in a character
    System.out.printf("%c %,d%n", mark, lot);
  }
}
