"""What was erased is in no file any more, under the usual build of SQLite and under another."""

import os
import subprocess
import sys
import tempfile
from pathlib import Path
from unittest import TestCase

BACKEND = Path(__file__).resolve().parents[3]
NAME = "Zacharias Querfeldein"
LINE = "Whisper-light-fourth-finger"
SCRIPT = f"""
import sys
if sys.argv[1] != "sqlite3":
    import pysqlite3
    sys.modules["sqlite3"] = pysqlite3
    sys.modules["sqlite3.dbapi2"] = pysqlite3.dbapi2
import os
os.environ["DJANGO_SETTINGS_MODULE"] = "config.settings"
import django
django.setup()
from django.core.management import call_command
from django.contrib.auth import get_user_model
from django.db import connection
from django.core.signals import request_finished
from django.utils import timezone
call_command("migrate", verbosity=0)
from studio.models import Player
from studio.entries import record
from studio.players.erasing import erase_player
from studio.lessons.access import start_lesson
teacher = get_user_model().objects.create_user("t")
for number in range(40):
    player = Player.objects.create(teacher=teacher, name="{NAME}", instrument="vn")
    lesson = start_lesson(player, timezone.localdate())
    record(lesson.pk, client_key=f"key-{{number:05}}", kind="line", key="", value="{LINE}")
    record(lesson.pk, client_key=f"kez-{{number:05}}", kind="line", key="", value="short")
with connection.cursor() as cursor:
    cursor.execute("PRAGMA secure_delete")
    assert cursor.fetchone()[0] == 1
    cursor.execute("PRAGMA synchronous")
    assert cursor.fetchone()[0] == 2
from contextlib import closing
database = connection.settings_dict["NAME"]
last = Player.objects.last()
for player in Player.objects.exclude(pk=last.pk):
    assert erase_player(player)
with closing(connection.Database.connect(database)) as reader:
    reader.execute("BEGIN")
    reader.execute("SELECT COUNT(*) FROM studio_player").fetchall()
    assert not erase_player(last)
    request_finished.send("a request while somebody reads")
    waits = [p.name for p in database.parent.iterdir() if "erased" in p.name]
    assert len(waits) == 1, waits
request_finished.send("a later request")
assert not [p.name for p in database.parent.iterdir() if "erased" in p.name]
assert not os.path.getsize(str(database) + "-wal")
print(connection.Database.sqlite_version)
"""  # noqa: S608 - nothing in it comes from outside


class Erasing(TestCase):
    seconds_each = 10

    def test_no_file_of_the_data_folder_holds_an_erased_name(self):
        for build in ("sqlite3", "pysqlite3"):
            with self.subTest(build), tempfile.TemporaryDirectory() as folder:
                done = subprocess.run(
                    [sys.executable, "-c", SCRIPT, build],
                    cwd=BACKEND,
                    env={**os.environ, "JOLF_DATA": folder},
                    capture_output=True,
                    text=True,
                    check=False,
                )
                self.assertEqual(done.returncode, 0, done.stderr)
                files = [p for p in Path(folder).iterdir() if p.is_file()]
                self.assertTrue(any(p.name == "studio.sqlite3" for p in files))
                for path in files:
                    content = path.read_bytes()
                    for erased in (NAME, LINE):
                        self.assertNotIn(erased.encode(), content, path.name)
