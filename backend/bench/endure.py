"""A studio that is pushed: `python -m bench.endure --minutes 10`.

Teachers enter, one brings in a player of 300 lessons again and again, one sends pieces too dense to
be read, one sends recordings and pictures, one makes players and erases them, one asks when signed
out, copies of the studio are made meanwhile, and the whole server is killed now and then. Every
entry is sent until it is confirmed, as the pages do it. At the end each confirmed entry has to be
there once, half a player nowhere, no erased name in any file but copies, and every copy whole.
"""

import argparse
import http.client
import io
import json
import os
import random
import signal
import sqlite3
import statistics
import subprocess
import sys
import tempfile
import threading
import time
import uuid
from collections import Counter
from collections.abc import Callable
from contextlib import closing, suppress
from dataclasses import dataclass, field, replace
from functools import partial
from pathlib import Path
from typing import Any

BACKEND = Path(__file__).resolve().parents[1]
CSRF = "c" * 32
TEACHERS = 20
KILL_EVERY = (20.0, 90.0)  # s
DAY_SEEN = 0.2  # of all entries, the day is looked at after so many
WARM_AFTER = 25.0  # s; what is drawn and told for the first time takes longer
PATIENCE = 30.0  # s, of one request
ERASED = "Zacharias Querfeldein"
BOUNDARY = "jolf-endure"


@dataclass
class Seen:
    """What happened, from all threads. `confirmed`: keys of entries with a 200. `took`: seconds of
    an answer of 200 of a server that is warm, by what was asked. `up_since`: of the server."""

    stop: threading.Event = field(default_factory=threading.Event)
    answers: Counter[str] = field(default_factory=Counter)
    confirmed: set[str] = field(default_factory=set)
    took: dict[str, list[float]] = field(default_factory=dict)
    up_since: float = 0.0
    lock: threading.Lock = field(default_factory=threading.Lock)

    def note(self, what: str, status: int | str, seconds: float) -> None:
        with self.lock:
            self.answers[f"{what} {status}"] += 1
            if status == http.client.OK and time.monotonic() - self.up_since > WARM_AFTER:
                self.took.setdefault(what, []).append(seconds)


@dataclass(frozen=True)
class Teacher:
    """A signed-in teacher, with the lesson of today and a player of theirs."""

    port: int
    session: str
    lesson: int
    check: str
    player: int
    seen: Seen

    def ask(self, what: str, method: str, path: str, body: object = None) -> tuple[int, bytes]:
        """Status and body; 0 where the connection broke."""
        headers = {
            "Cookie": f"sessionid={self.session}; csrftoken={CSRF}",
            "X-CSRFToken": CSRF,
            "Content-Type": "application/json",
        }
        content: bytes | None = None
        if isinstance(body, bytes):
            headers["Content-Type"] = f"multipart/form-data; boundary={BOUNDARY}"
            content = body
        elif body is not None:
            content = json.dumps(body).encode()
        began = time.perf_counter()
        connection = http.client.HTTPConnection("127.0.0.1", self.port, timeout=PATIENCE)
        try:
            connection.request(method, path, content, headers)
            answer = connection.getresponse()
            status, text = answer.status, answer.read()
        except (OSError, http.client.HTTPException):
            status, text = 0, b""
        finally:
            connection.close()
        self.seen.note(what, status or "broken off", time.perf_counter() - began)
        return status, text


def file_body(name: str, data: bytes, **told: str) -> bytes:
    """A form with the file and what is told of it."""
    head = "".join(
        f'--{BOUNDARY}\r\nContent-Disposition: form-data; name="{key}"\r\n\r\n{value}\r\n'
        for key, value in told.items()
    )
    head += (
        f'--{BOUNDARY}\r\nContent-Disposition: form-data; name="file"; filename="{name}"\r\n'
        "Content-Type: application/octet-stream\r\n\r\n"
    )
    return head.encode() + data + f"\r\n--{BOUNDARY}--\r\n".encode()


def writes(teacher: Teacher, chooser: random.Random) -> None:
    """One entry after the other, each until it has arrived."""
    key = uuid.uuid4().hex
    entry = {"client_key": key, "kind": "observation", "key": teacher.check, "value": 0}
    entry["value"] = chooser.randint(0, 3)
    while not teacher.seen.stop.is_set():
        status, _ = teacher.ask("entry", "POST", f"/api/lessons/{teacher.lesson}/entries", entry)
        if status == http.client.OK:
            with teacher.seen.lock:
                teacher.seen.confirmed.add(key)
            break
        time.sleep(0.3)
    if chooser.random() < DAY_SEEN:
        teacher.ask("page of the day", "GET", "/api/players/today")
    time.sleep(chooser.uniform(2, 6))  # a teacher looks at a hand meanwhile


def imports(teacher: Teacher, data: bytes) -> None:
    teacher.ask("player file", "POST", "/api/players/file", file_body("player.json", data))
    time.sleep(1)


def dense_pieces(teacher: Teacher, pieces: list[bytes], chooser: random.Random) -> None:
    path = f"/api/players/{teacher.player}/pieces"
    status, text = teacher.ask(
        "dense piece", "POST", path, file_body("piece.musicxml", chooser.choice(pieces))
    )
    if status == http.client.OK:
        teacher.ask("piece removed", "DELETE", f"{path}/{json.loads(text)['id']}")
    time.sleep(1)


def recordings(teacher: Teacher, sound: bytes) -> None:
    path = f"/api/lessons/{teacher.lesson}/takes/fourth.low"
    teacher.ask("recording", "POST", path, file_body("take.wav", sound, part="slow"))
    time.sleep(2)


def pictures(teacher: Teacher, image: bytes) -> None:
    path = f"/api/players/{teacher.player}"
    leave = {"kind": "picture", "by": "parent", "name": "Ada Example"}
    teacher.ask("leave", "POST", f"{path}/leave", leave)
    body = file_body("hand.png", image)
    status, text = teacher.ask("picture", "POST", f"{path}/pictures", body)
    if status == http.client.OK:
        name = json.loads(text)[-1]["name"]
        teacher.ask("picture removed", "DELETE", f"{path}/pictures/{name}")
    time.sleep(1)


def copies(owner: Teacher) -> None:
    owner.ask("copy of the studio", "POST", "/api/desk/copies")
    time.sleep(5)


def signed_out(teacher: Teacher) -> None:
    """Refused, and nothing of it kept."""
    gone = replace(teacher, session="gone")
    entry = {"client_key": uuid.uuid4().hex, "kind": "observation", "key": teacher.check}
    gone.ask("signed out", "POST", f"/api/lessons/{teacher.lesson}/entries", {**entry, "value": 3})
    time.sleep(2)


def reads(teacher: Teacher) -> None:
    """A teacher beside all that, who turns pages."""
    for what, path in (
        ("a page beside it: day", "/api/players/today"),
        ("a page beside it: player", f"/api/players/{teacher.player}"),
        ("a page beside it: lesson", f"/api/lessons/{teacher.lesson}"),
    ):
        teacher.ask(what, "GET", path)
        time.sleep(1)


def erases(teacher: Teacher) -> None:
    body = {"name": ERASED, "instrument": "vn", "level": "beginner"}
    status, text = teacher.ask("player made", "POST", "/api/players", body)
    if status != http.client.OK:
        time.sleep(0.5)
        return
    player = json.loads(text)["player"]["id"]
    name = ERASED.replace(" ", "%20")
    while teacher.ask("player erased", "DELETE", f"/api/players/{player}?name={name}")[0] not in (
        http.client.OK,
        http.client.NOT_FOUND,
    ):
        time.sleep(0.5)
    time.sleep(0.5)


class Server:
    """The whole server, which may be killed and comes again on the same address."""

    def __init__(self, env: dict[str, str], port: int, seen: Seen) -> None:
        self.env, self.port, self.seen = env, port, seen
        self.kills = 0
        self.process = self._start()

    def _start(self) -> subprocess.Popen[bytes]:
        command = [sys.executable, "-m", "config.serve", "--listen", f"127.0.0.1:{self.port}"]
        process = subprocess.Popen(
            command, cwd=BACKEND, env=self.env, start_new_session=True, stderr=subprocess.DEVNULL
        )
        while not self._answers():
            time.sleep(0.1)
        self.seen.up_since = time.monotonic()
        return process

    def _answers(self) -> bool:
        connection = http.client.HTTPConnection("127.0.0.1", self.port, timeout=5)
        with closing(connection), suppress(OSError):
            connection.request("GET", "/api/session")
            return connection.getresponse().status == http.client.OK
        return False

    def kill(self) -> None:
        os.killpg(self.process.pid, signal.SIGKILL)
        self.process.wait()
        self.kills += 1
        self.process = self._start()

    def end(self) -> None:
        self.process.terminate()
        self.process.wait(timeout=30)


def prepare(port: int, seen: Seen) -> tuple[list[Teacher], bytes, list[bytes]]:
    """A studio of twenty teachers; their sessions; the long player's file; dense pieces."""
    from django.contrib.auth import BACKEND_SESSION_KEY, HASH_SESSION_KEY, SESSION_KEY
    from django.contrib.auth.models import User
    from django.contrib.sessions.backends.db import SessionStore
    from django.core.management import call_command
    from django.utils import timezone

    from bench.studio_data import Size, build
    from lefthand.catalogue.catalogue import load_catalogue
    from lefthand.tests.scores import note, score
    from lefthand.values.vocabulary import Instrument
    from studio.lessons.access import start_lesson
    from studio.models import Player
    from studio.players.file import player_file

    call_command("update_database")
    today = timezone.localdate()
    build(Size(TEACHERS, 6, 4, long=1), today)
    teachers = []
    for user in User.objects.order_by("pk"):
        store = SessionStore()
        store[SESSION_KEY] = str(user.pk)
        store[BACKEND_SESSION_KEY] = "django.contrib.auth.backends.ModelBackend"
        store[HASH_SESSION_KEY] = user.get_session_auth_hash()
        store.save()
        player = Player.objects.filter(teacher=user).order_by("-pk")[0]
        evidence = load_catalogue().evidence_of(Instrument(player.instrument))
        check = next(e.id for e in evidence if e.stage.value == "hand" and e.measure is None)
        lesson = start_lesson(player, today).pk
        teachers.append(Teacher(port, store.session_key, lesson, check, player.pk, seen))
    long = Player.objects.order_by("pk")[0]
    dense = [
        score("".join(note("ABCDEFG"[n % 7], duration=1) for n in range(count)))
        for count in (400, 790, 2000, 6000)
    ]
    return teachers, json.dumps(player_file(long)).encode(), dense


def noise(seconds: int) -> bytes:
    """A recording in which no drill can be heard, as WAV."""
    import numpy as np
    from scipy.io import wavfile

    rate = 24_000
    loud = np.random.default_rng(1).normal(0, 3000, rate * seconds)
    written = io.BytesIO()
    wavfile.write(written, rate, loud.astype(np.int16))
    return written.getvalue()


def run_for(seconds: float, seed: int, crowd: int) -> int:
    """0 when nothing was lost. `crowd`: how many teachers enter."""
    from config.command_line import free_port
    from studio.tests.studio_case import picture_bytes

    chooser = random.Random(seed)
    seen = Seen()
    folder = Path(os.environ["JOLF_DATA"])
    port = free_port(0)
    teachers, file, pieces = prepare(port, seen)
    server = Server({**os.environ}, port, seen)
    work: list[Callable[[], None]] = [
        *(partial(writes, each, random.Random(chooser.random())) for each in teachers[:crowd]),
        lambda: reads(teachers[-1]),
        lambda: recordings(teachers[3], noise(20)),
        lambda: pictures(teachers[4], picture_bytes("PNG", (1200, 900))),
        lambda: copies(teachers[0]),
        lambda: signed_out(teachers[5]),
        lambda: imports(teachers[0], file),
        lambda: dense_pieces(teachers[1], pieces, chooser),
        lambda: erases(teachers[2]),
    ]
    threads = [threading.Thread(target=_again, args=(each, seen), daemon=True) for each in work]
    for thread in threads:
        thread.start()
    until = time.monotonic() + seconds
    while time.monotonic() < until:
        time.sleep(min(chooser.uniform(*KILL_EVERY), max(0.0, until - time.monotonic())))
        if time.monotonic() < until:
            server.kill()
    seen.stop.set()
    for thread in threads:
        thread.join(2 * PATIENCE)
    server.end()
    return tell(seen, server.kills, folder)


def _again(one: Callable[[], None], seen: Seen) -> None:
    while not seen.stop.is_set():
        one()


def tell(seen: Seen, kills: int, folder: Path) -> int:
    from django.conf import settings

    from studio.keeping.copies import copies_beside
    from studio.models import LessonEntry, Player
    from studio.players.erasing import empty_log
    from studio.players.imported_writing import sweep_what_never_arrived

    kept = Counter(LessonEntry.objects.values_list("client_key", flat=True))
    lost = [key for key in seen.confirmed if key not in kept]
    twice = [key for key in seen.confirmed if kept[key] > 1]
    sweep_what_never_arrived()
    half = Player.objects.filter(arriving_since__isnull=False).count()
    shown = Player.objects.filter(arriving_since=None, name__startswith="Player ")
    torn = sum(p.lessons.count() not in (0, 4, 5, 300, 301) for p in shown)
    Player.objects.filter(name=ERASED).delete()
    empty_log()
    made = copies_beside(settings.DATABASE_FILE)
    kept_apart = {copy.path.name for copy in made}
    files = [path for path in folder.iterdir() if path.name not in kept_apart]
    traces = [path.name for path in files if ERASED.encode() in path.read_bytes()]
    damaged = [copy.path.name for copy in made if not _is_whole(copy.path)]
    for what, count in sorted(seen.answers.items()):
        sys.stdout.write(f"{count:7} {what}\n")
    for what, took in sorted(seen.took.items()):
        middle, worst = statistics.median(took), max(took)
        sys.stdout.write(f"{1000 * middle:7.0f} ms median, {worst:5.1f} s at worst: {what}\n")
    told: dict[str, Any] = {
        "killed": kills,
        "confirmed entries": len(seen.confirmed),
        "lost": len(lost),
        "twice": len(twice),
        "half-read players (swept later)": half,
        "players with torn lessons": torn,
        "files with an erased name": traces,
        "copies": len(made),
        "damaged copies": damaged,
    }
    sys.stdout.write("".join(f"{name}: {value}\n" for name, value in told.items()))
    return int(bool(lost or twice or torn or traces or damaged))


def _is_whole(database: Path) -> bool:
    with closing(sqlite3.connect(database)) as opened:
        return bool(opened.execute("PRAGMA integrity_check").fetchone() == ("ok",))


def main() -> int:
    parser = argparse.ArgumentParser(prog="jolf endure", description=__doc__)
    parser.add_argument("--minutes", type=float, default=10)
    parser.add_argument("--seed", type=int, default=1)
    parser.add_argument("--crowd", type=int, default=TEACHERS, help="teachers who enter, 0 to 20")
    chosen = parser.parse_args()
    with tempfile.TemporaryDirectory() as folder:
        os.environ["JOLF_DATA"] = folder
        os.environ.setdefault("DJANGO_SETTINGS_MODULE", "config.settings")
        import django

        django.setup()
        return run_for(60 * chosen.minutes, chosen.seed, chosen.crowd)


if __name__ == "__main__":
    sys.exit(main())
