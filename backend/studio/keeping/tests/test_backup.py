"""A studio is backed up and restored: while it is served, broken off, over newer entries."""

import os
import shutil
import signal
import sqlite3
import subprocess
import sys
import tempfile
from contextlib import closing
from datetime import datetime, timedelta
from pathlib import Path
from unittest import TestCase
from unittest.mock import patch

from studio.errors import StudioError
from studio.keeping.backup import BackupError, make_backup, restore_backup
from studio.keeping.copies import copies_beside, go_back_to, make_copy

BACKEND = Path(__file__).resolve().parents[3]
NOW = datetime(2026, 3, 4, 17, 30)
BACK_AND_FORTH = """
import sys, time
from datetime import datetime, timedelta
from pathlib import Path
from studio.keeping.backup import make_backup, restore_backup
action, one, other = sys.argv[1], Path(sys.argv[2]), Path(sys.argv[3])
def slowly(*_):
    print("step", flush=True)
    time.sleep(0.05)
if action == "restore":
    restore_backup(one, other, known_migrations={("studio", "0001")}, over_newer=True,
                   now=datetime.now(), pages=1, progress=slowly)
"""


def manage(folder: Path, *arguments: str, **more: str) -> subprocess.CompletedProcess[str]:
    return subprocess.run(
        [sys.executable, "manage.py", *arguments],
        cwd=BACKEND,
        env={**os.environ, "JOLF_DATA": str(folder), **more},
        capture_output=True,
        text=True,
        check=False,
        stdin=subprocess.DEVNULL,
    )


def small_studio(path: Path, players: int = 1, revision: int = 1) -> None:
    with closing(sqlite3.connect(path)) as made:
        made.executescript(
            """
            PRAGMA journal_mode=WAL;
            CREATE TABLE django_migrations (app TEXT, name TEXT);
            CREATE TABLE django_session (session_key TEXT);
            CREATE TABLE studio_player (id INTEGER PRIMARY KEY AUTOINCREMENT, name TEXT);
            CREATE TABLE studio_lesson (id INTEGER PRIMARY KEY AUTOINCREMENT, revision INTEGER);
            INSERT INTO django_migrations VALUES ('studio', '0001');
            INSERT INTO django_session VALUES ('signed-in');
            """
        )
        made.executemany(
            "INSERT INTO studio_player (name) VALUES (?)", [(f"P{n}" * 50,) for n in range(players)]
        )
        made.execute("INSERT INTO studio_lesson (revision) VALUES (?)", (revision,))
        made.commit()


def count(path: Path, what: str = "COUNT(*) FROM studio_player") -> int:
    with closing(sqlite3.connect(path)) as found:
        return found.execute("SELECT " + what).fetchone()[0]


class FolderCase(TestCase):
    def setUp(self):
        folder = tempfile.TemporaryDirectory()
        self.addCleanup(folder.cleanup)
        self.folder = Path(folder.name)
        self.database = self.folder / "studio.sqlite3"
        self.file = self.folder / "kept.sqlite3"

    def restore(self, **more):
        return restore_backup(
            self.file,
            self.database,
            **{
                "known_migrations": {("studio", "0001")},
                "over_newer": False,
                "now": NOW,
                **more,
            },
        )

    def assert_refused(self, words, call):
        with self.assertRaises(BackupError) as caught:
            call()
        self.assertIn(words, str(caught.exception))
        self.assertNotIn("\n", str(caught.exception))


class Backup(FolderCase):
    def test_a_round_trip_while_somebody_writes_and_reads(self):
        small_studio(self.database, players=3)
        with closing(sqlite3.connect(self.database)) as open_writer:
            open_writer.execute("INSERT INTO studio_player (name) VALUES ('not yet')")
            make_backup(self.database, self.file)
            open_writer.rollback()
        self.assertEqual(
            (count(self.file), count(self.file, "COUNT(*) FROM django_session")), (3, 0)
        )
        self.assertEqual(self.file.stat().st_mode & 0o777, 0o600)
        small_studio(self.folder / "other.sqlite3")
        self.database = self.folder / "other.sqlite3"
        aside = self.restore(over_newer=True)
        self.assertEqual((count(self.database), count(aside)), (3, 1))

    def test_a_broken_off_backup_leaves_the_older_one(self):
        small_studio(self.database, players=2)
        make_backup(self.database, self.file)
        small_studio_grows(self.database)
        (self.folder / ".kept.sqlite3.part").mkdir()
        self.assert_refused("could not be written", lambda: make_backup(self.database, self.file))
        self.assertEqual(count(self.file), 2)

    def test_what_it_may_not_overwrite(self):
        small_studio(self.database)
        letter = self.folder / "letter.txt"
        letter.write_text("Dear Pia, practise softly.", encoding="utf-8")
        table = (
            (self.database, "is the studio itself"),
            (self.folder, "is a folder"),
            (letter, "is no backup"),
            (self.folder / "nowhere" / "kept.sqlite3", "could not be written"),
        )
        for target, words in table:
            with self.subTest(words):
                self.assert_refused(words, lambda t=target: make_backup(self.database, t))
        self.assert_refused("no studio", lambda: make_backup(self.folder / "none", self.file))


def small_studio_grows(database: Path) -> None:
    with closing(sqlite3.connect(database)) as found:
        found.execute("INSERT INTO studio_player (name) VALUES ('later')")
        found.commit()


class Restore(FolderCase):
    def test_over_newer_entries_only_with_the_word(self):
        small_studio(self.database)
        make_backup(self.database, self.file)
        self.assertIsNotNone(self.restore())
        small_studio_grows(self.database)
        self.assert_refused("say --over-newer", self.restore)
        self.assertEqual(count(self.database), 2)
        aside = self.restore(over_newer=True)
        self.assertEqual((count(self.database), count(aside)), (1, 2))

    def test_changes_alone_are_newer_too(self):
        small_studio(self.database)
        make_backup(self.database, self.file)
        with closing(sqlite3.connect(self.database)) as found:
            found.execute("UPDATE studio_lesson SET revision = 2")
            found.commit()
        self.assert_refused("say --over-newer", self.restore)

    def test_a_number_that_was_given_since_is_given_to_nobody_else(self):
        small_studio(self.database, players=2)
        make_backup(self.database, self.file)
        with closing(sqlite3.connect(self.database)) as live:
            live.execute("INSERT INTO studio_player (name) VALUES ('since')")
            live.execute("INSERT INTO studio_lesson (revision) VALUES (1)")
            live.commit()
        self.restore(over_newer=True)
        self.assertEqual(count(self.database), 2)
        with closing(sqlite3.connect(self.database)) as live:
            for table, number in (("studio_player", 4), ("studio_lesson", 3)):
                made = live.execute(f"INSERT INTO {table} DEFAULT VALUES")
                self.assertEqual(made.lastrowid, number)

    def test_going_back_to_a_copy_beside_keeps_what_was_there(self):
        small_studio(self.database, players=3)
        with closing(sqlite3.connect(self.database)) as live:
            live.execute("UPDATE django_migrations SET name = '0001_initial'")
            live.commit()
        copy = make_copy(self.database, NOW)
        with closing(sqlite3.connect(self.database)) as live:
            live.execute("DELETE FROM studio_player")
            live.commit()
        with patch("studio.keeping.copies.call_command") as update:
            go_back_to(copy.path.name, self.database, NOW + timedelta(hours=1))
        update.assert_called_once()
        self.assertEqual(count(self.database), 3)
        self.assertEqual(count(self.database, "COUNT(*) FROM django_session"), 0)
        aside = copies_beside(self.database)[-1]
        self.assertEqual(count(aside.path), 0)

    def test_going_back_to_what_is_no_copy_changes_nothing(self):
        small_studio(self.database, players=3)
        bad = self.folder / "copy-20260304-173000.sqlite3"
        bad.write_bytes(b"no database at all")
        for name, code in (
            ("copy-20250101-000000.sqlite3", "not_found"),
            ("../studio.sqlite3", "not_found"),
            (bad.name, "bad_input"),
        ):
            with self.subTest(name), self.assertRaises(StudioError) as refused:
                go_back_to(name, self.database, NOW)
            self.assertEqual(refused.exception.code, code)
        self.assertEqual(count(self.database), 3)

    def test_where_nothing_was_there(self):
        small_studio(self.file, players=4)
        self.assertIsNone(self.restore())
        self.assertEqual(count(self.database), 4)

    def test_a_damaged_database_is_put_aside_as_it_is(self):
        self.database.write_bytes(b"SQLite format 3\x00" + b"\x07" * 5000)
        small_studio(self.file, players=4)
        aside = self.restore()
        self.assertEqual(count(self.database), 4)
        self.assertTrue(aside.read_bytes().endswith(b"\x07" * 5000))

    def test_bad_files_change_nothing(self):
        small_studio(self.database, players=2)
        small_studio(self.folder / "whole.sqlite3", players=200)
        whole = (self.folder / "whole.sqlite3").read_bytes()
        with closing(sqlite3.connect(self.folder / "other.sqlite3")) as other:
            other.execute("CREATE TABLE a (b)")
        table = (
            ("text", b"hello", "is no backup"),
            ("empty", b"", "is no backup"),
            ("half", whole[: len(whole) // 2], "damaged"),
            ("other", (self.folder / "other.sqlite3").read_bytes(), "is no studio"),
        )
        for name, content, words in table:
            with self.subTest(name):
                self.file.write_bytes(content)
                self.assert_refused(words, self.restore)
                self.assertEqual(count(self.database), 2)
        self.file.unlink()
        self.assert_refused("cannot be read", self.restore)
        small_studio(self.file)
        self.assert_refused("newer Jolf", lambda: self.restore(known_migrations=set()))

    def test_a_restore_that_is_killed_leaves_the_database_as_it_was(self):
        small_studio(self.file, players=2000)
        small_studio(self.database, players=3)
        running = subprocess.Popen(
            [sys.executable, "-c", BACK_AND_FORTH, "restore", str(self.file), str(self.database)],
            cwd=BACKEND,
            stdout=subprocess.PIPE,
        )
        for _ in range(5):
            self.assertEqual(running.stdout.readline(), b"step\n")
        os.kill(running.pid, signal.SIGKILL)
        running.wait()
        running.stdout.close()
        self.assertEqual(count(self.database), 3)
        self.restore(over_newer=True)
        self.assertEqual(count(self.database), 2000)


class Commands(FolderCase):
    """The commands as they are called, on a real studio."""

    seconds_each = 8

    @classmethod
    def setUpClass(cls):
        super().setUpClass()
        folder = tempfile.TemporaryDirectory()
        cls.addClassCleanup(folder.cleanup)
        cls.empty = Path(folder.name) / "empty"
        made = manage(cls.empty, "update_database")
        if made.returncode:
            raise AssertionError(made.stderr)

    def setUp(self):
        super().setUp()
        shutil.copytree(self.empty, self.folder, dirs_exist_ok=True)

    def test_demo_is_kept_backed_up_and_restored(self):
        first = manage(self.folder, "demo", "--weeks", "0")
        self.assertIn("is ready", first.stdout)
        self.assertIn("is kept as it is", manage(self.folder, "demo").stdout)
        players = count(self.database)
        done = manage(self.folder, "backup", str(self.file))
        self.assertEqual((done.returncode, done.stderr), (0, ""))
        with closing(sqlite3.connect(self.database)) as found:
            found.execute("UPDATE studio_lesson SET revision = revision + 1")
            found.commit()
        refused = manage(self.folder, "restore", str(self.file))
        self.assertEqual(refused.returncode, 2)
        self.assertEqual(refused.stderr.count("\n"), 1)
        done = manage(self.folder, "restore", str(self.file), "--over-newer")
        self.assertEqual((done.returncode, done.stderr), (0, ""))
        self.assertIn("before-restore-", done.stdout)
        self.assertEqual(count(self.database), players)
        kept = manage(self.folder, "forget", "--older-than", "1")
        self.assertIn("1 kept", kept.stdout)
        self.assertEqual(len(copies_beside(self.database)), 1)
        gone = manage(self.folder, "forget")
        self.assertIn("removed", gone.stdout)
        self.assertEqual(copies_beside(self.database), [])
        self.assertEqual(count(self.database), players)

    def test_trouble_with_files_is_one_line_that_names_the_file(self):
        key = self.folder / "secret.key"
        whole = key.read_text()
        table = (
            (lambda: key.write_text(""), "secret.key is empty or half-written"),
            (lambda: key.write_text(whole[:9]), "secret.key is empty or half-written"),
            (lambda: self.database.write_bytes(b"x" * 9000), "studio.sqlite3 is damaged"),
        )
        for harm, words in table:
            with self.subTest(words):
                kept = self.database.read_bytes()
                harm()
                harmed = self.database.read_bytes()
                done = manage(self.folder, "update_database")
                self.assertEqual(done.returncode, 2)
                self.assertEqual(done.stderr.count("\n"), 1, done.stderr)
                self.assertIn(words, done.stderr)
                self.assertEqual(self.database.read_bytes(), harmed, "nothing was overwritten")
                key.write_text(whole)
                self.database.write_bytes(kept)

    def test_a_locked_database_is_told(self):
        with closing(sqlite3.connect(self.database, isolation_level=None)) as holder:
            holder.execute("BEGIN IMMEDIATE")
            done = manage(self.folder, "demo")
        self.assertEqual((done.returncode, done.stderr.count("\n")), (2, 1), done.stderr)
        self.assertIn("is in use by another program", done.stderr)

    def test_an_update_that_fails_leaves_the_database_and_a_copy(self):
        with closing(sqlite3.connect(self.database)) as found:
            found.execute("DELETE FROM django_migrations WHERE app = 'studio' AND name >= '0010'")
            found.commit()
        done = manage(self.folder, "update_database")
        self.assertEqual((done.returncode, done.stderr.count("\n")), (2, 1), done.stderr)
        self.assertIn("is as it was before", done.stderr)
        self.assertTrue(list(self.folder.glob("before-update-*.sqlite3")))
        self.assertEqual(count(self.database), 0)
