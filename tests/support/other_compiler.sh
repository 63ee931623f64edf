#!/bin/sh
# A compiler whose program prints something else, whatever it is given.
[ "$1" = --version ] && { echo "another compiler 1.0"; exit 0; }
printf '#!/bin/sh\nprintf 2.75\n' >main
chmod +x main
