# What the launcher tells.

say() { printf '%s\n' "$*"; }

fail() {
  printf 'umbick: %s\n' "$*" >&2
  exit 2
}

help() {
  cat <<'TEXT'
To look at it
./umbick demo                  Starts Umbick with demonstration data on http://127.0.0.1:5180 (UMBICK_PORT to change
                               it). Ctrl-C stops it.

To run it for a school (docs/running.md)
./umbick new-school            Makes a school and its first teacher. Asks, or takes --name, --zone, --teacher and
                               --user-name.
./umbick start                 Starts the site: on this machine alone; with --certificate FILE --key FILE --host NAME by
                               TLS; with --proxy ADDRESS --host NAME behind a proxy that has the certificate. --port N
                               changes the port (5180, by TLS 8443).
./umbick add-teacher           Adds a teacher (--school, --teacher, --user-name, --in-charge).
./umbick let-in NAME           Makes a link by which somebody who is locked out chooses a new password (--second-step:
                               turns their second step off instead).
./umbick well                  Says whether all is well: certificate, backups, database, disk, clock, version. It ends
                               with 1 where something is to be seen to.
./umbick backup FILE           Makes a backup while the site runs. FILE may be a folder (--new-folder the first time;
                               --keep N keeps the latest N there).
./umbick check-backup FILE     Restores a backup, of a folder the latest, into a database that is thrown away, and
                               counts its rows.
./umbick restore FILE          Puts a backup, of a folder the latest, in the place of the database (--replace where that
                               holds a school; --mend as for upgrade).
./umbick drop-replaced         Drops what restore has put aside. It is dropped by itself after seven days.
./umbick upgrade               Backs up, brings the database up to date, and says the way back (--mend: rows that break
                               a new rule are corrected).
./umbick import FILE           Takes answers or children in from CSV, whole or not at all (--dry-run only says what
                               would be added; --school; --caseload).
./umbick export [answers|children]   Writes them as CSV to standard output (--school).

To try the reading model
./umbick diagnose FILE         Says what the answers in a CSV file say, as JSON (--html: a page; --dry-run: only checks
                               the file).
./umbick sitting               Asks over standard output and takes answers over standard input, one JSON object a line
                               (--seed N).
./umbick simulate              Tries the model on simulated children (--report: the whole table; --away: on children not
                               made by its rules, --oracle, --held-out; --practice: sets on learners; --decisions: the
                               rules of deciding; --trainer: scripted adults at the trainer; --children N, --seed N).

To build it
./umbick test                  Checks formatting, builds with warnings as errors, and runs every test.
./umbick shots                 Takes every picture in docs/screenshots anew.
./umbick bench                 Measures the core (bench web: the site, with thirty tablets at once, and its memory;
                               bench frames: the big clock, dragged; bench answers: 500 answers through a faulty
                               network, three seeds; bench faults: whether the tests catch faults planted in the code;
                               bench school: a school's first day, from a fresh clone to a restored backup; bench
                               restore: restores killed at ten moments, three times each).
./umbick package [FILE]        One archive of the site with its own runtime, for machines without an SDK and Node.
./umbick cluster-trial         Two sites on a database that moves (etcd, Patroni, haproxy, all on this machine alone),
                               twenty children, and seven faults: what each costs (docs/growing.md).
./umbick help                  Says this.

Everything it needs is installed from Debian's packages, NuGet and npm the first time; after that it needs no network.
The database is a private one for this folder, on this machine only, unless UMBICK_OWNER, UMBICK_APP and UMBICK_BACKUP name another.
TEXT
}
