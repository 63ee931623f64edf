# Prints the batches of the ink room. Some of its calls are wrong.
mass <- 12.5
cat(sprintf("%-8s|%8.2f|\n", "K-07", mass))
cat(sprintf("%d lots\n", 2.5))
cat(sprintf(fmt = "%s of %s\n", "K-07"))
cat(sprintf(r"(%5.1f "g" %y)", 12.5))
