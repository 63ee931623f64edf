"""Prints the batches of the ink room. Some of its calls are wrong."""

mass: float = 12.5
code = "K-07"

print("%-8s|%8.2f|" % (code, 12.5))
print("%d of %d" % (3,))
print("%d g" % "12.5")
print("{:>8}|{:d}".format(code, 2.5))
print("{0} {}".format(1, 2))
print(f"{mass:8.2f}|{mass!r:>10}|{mass:q}")
print("{code:>{width}}".format(code=code, width=9))
print(
    "a long line: {:.2f} of "
    "{:.3g}".format(mass, "text")
)
# "%d" % "in a comment"
