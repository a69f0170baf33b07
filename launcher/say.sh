# What the launcher tells.

say() { printf '%s\n' "$*"; }

fail() {
  printf 'umbick: %s\n' "$*" >&2
  exit 2
}

help() {
  cat <<'TEXT'
./umbick demo     Starts Umbick with demonstration data on http://127.0.0.1:5180 (UMBICK_PORT to change it). Ctrl-C stops it.
./umbick test     Checks formatting, builds with warnings as errors, and runs every test.
./umbick shots    Takes every picture in docs/screenshots anew.
./umbick diagnose FILE    Says what the answers in a CSV file say, as JSON (--html: a page; --dry-run: only checks the file).
./umbick sitting          Asks over standard output and takes answers over standard input, one JSON object a line (--seed N).
./umbick simulate         Tries the model on simulated children (--report: the whole table; --away: on children not made by its rules, --oracle, --held-out; --practice: sets on learners; --decisions: the rules of deciding; --children N, --seed N).
./umbick bench            Measures the core (bench web: the site, with thirty tablets at once, and its memory; bench frames: the big clock, dragged; bench answers: 500 answers through a
                          faulty network, three seeds; bench faults: whether the tests catch faults planted in the code).
./umbick help     Says this.

Everything it needs is installed from Debian's packages, NuGet and npm the first time; after that it needs no network.
The database is a private one for this folder, on this machine only.
TEXT
}
