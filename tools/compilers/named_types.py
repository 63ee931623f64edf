"""Asks gcc for the types that src/dialect/c/source.hpp states: what other names of types stand for, what functions of the
C library return, and what its values are; and Java for what src/dialect/java/language.cpp states of its methods.
Prints what differs; the exit status is 1 then.

    python3 tools/compilers/named_types.py [c|java]
"""

import pathlib
import re
import subprocess
import sys
import tempfile

HEADERS = """arpa/inet.h ctype.h errno.h inttypes.h libgen.h math.h netdb.h netinet/in.h pwd.h stddef.h stdint.h
stdio.h stdlib.h string.h sys/resource.h sys/socket.h sys/stat.h sys/time.h sys/types.h time.h unistd.h
dirent.h float.h limits.h wchar.h""".split()

# Of a method that is stated for whatever it is called of: a class that has it.
CLASSES = {"hashCode": "Object", "equals": "Object", "toString": "Object", "compareTo": "Integer", "intValue": "Number",
           "longValue": "Number", "doubleValue": "Number", "floatValue": "Number", "charAt": "CharSequence",
           "size": "java.util.Collection", "getMessage": "Throwable", "getSimpleName": "Class"}


def stated(file="src/dialect/c/source.hpp", table_name="named_types"):
    root = pathlib.Path(__file__).resolve().parents[2]
    text = (root / file).read_text()
    table = text[text.index(f"NamedTypeFact {table_name}[]"):]
    return re.findall(r'\{"([^"]+)", "([^"]+)"\}', table[:table.index("};")])


def ask_java():
    facts = stated("src/dialect/java/language.cpp")
    asked = []
    for name, type_ in facts:
        of, method = name[:-2].rsplit(".", 1)
        of = of or CLASSES.get(method, "String")
        if "." not in of:
            of = ("java.util." if of in ("Arrays", "Objects") else "java.lang.") + of
        asked.append(f'    ask("{name}", "{type_}", {of}.class, "{method}");\n')
    source = """import java.lang.reflect.Method;
public class Types {
  static void ask(String name, String type, Class<?> of, String method) {
    boolean found = false;
    for (Method one : of.getMethods()) {
      if (!one.getName().equals(method) || one.isBridge()) continue;
      found = true;
      if (!one.getReturnType().getSimpleName().equals(type))
        System.out.println(name + " is no " + type + " but " + one.getReturnType().getSimpleName());
    }
    if (!found) System.out.println(name + ": there is no such method");
  }
  public static void main(String[] all) {
""" + "".join(asked) + "  }\n}\n"
    with tempfile.TemporaryDirectory() as folder:
        file = pathlib.Path(folder) / "Types.java"
        file.write_text(source)
        ran = subprocess.run(["java", str(file)], capture_output=True, text=True)
    wrong = ran.stdout.splitlines() + ([ran.stderr] if ran.returncode != 0 else [])
    for line in wrong:
        print(line)
    print(f"{len(facts)} methods, {len(wrong)} other ones")
    return 1 if wrong else 0


def main():
    return ask_java() if sys.argv[1:] == ["java"] else ask_c()


def ask_c():
    includes = "#define _GNU_SOURCE\n" + "".join(f"#include <{name}>\n" for name in HEADERS)
    facts = stated()
    with tempfile.TemporaryDirectory() as folder:
        source = pathlib.Path(folder) / "a.c"
        listed = pathlib.Path(folder) / "functions"
        source.write_text(includes)
        subprocess.run(["gcc", "-fno-builtin", "-c", "-o", "/dev/null", "-aux-info", listed, source], check=True)
        # /* /usr/include/string.h:246:NC */ extern char *strchr (const char *, int);
        returned = {}
        for line in listed.read_text().splitlines():
            found = re.match(r"/\*.*?\*/ (?:extern|static) (.*?)\b(\w+) \(.*\);", line)
            if found:
                returned[found[2]] = found[1]
        lines, wrong = [], []
        for name, type_ in facts:
            # libgen.h names basename so.
            theirs = returned.get(name[:-2], returned.get("__xpg_" + name[:-2])) if name.endswith("()") else name
            if theirs is None:
                wrong.append(f"{name}: gcc knows no such function")
                continue
            theirs = theirs.replace("const ", "")
            lines.append(f"_Static_assert(__builtin_types_compatible_p({theirs}, {type_}), "
                         f'"{name} is no {type_} but {theirs.strip()}");')
        values = stated(table_name="named_values")
        # An array is passed as a pointer, and what is in it is constant.
        asserted = [f"_Static_assert(__builtin_types_compatible_p(__typeof__(({name}) + 0), {type_}) || "
                    f'__builtin_types_compatible_p(__typeof__(({name}) + 0), const {type_}), "{name} is no {type_}");'
                    for name, type_ in values]
        facts += values
        source.write_text(includes + "\n".join(lines) + "\nvoid values(void) {\n" + "\n".join(asserted) + "\n}\n")
        ran = subprocess.run(["gcc", "-std=gnu17", "-fsyntax-only", source], capture_output=True, text=True)
        wrong += re.findall(r'error: (?:static assertion failed: )?"?([^"\n]*)', ran.stderr)
    for line in wrong:
        print(line)
    print(f"{len(facts)} types, {len(wrong)} other ones")
    return 1 if wrong else 0


if __name__ == "__main__":
    sys.exit(main())
