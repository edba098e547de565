"""How long the server takes for each page of a large studio: `python -m bench.studio FOLDER`.

Builds the studio in an empty folder (or uses the one that is there), starts the server as
`./jolf serve` does, and times whole requests with one client and with eight. Every client is a
teacher of their own. The first request of each teacher, which makes what is kept, is told apart.
"""

import argparse
import http.client
import json
import os
import statistics
import subprocess
import sys
import threading
import time
import uuid
from collections.abc import Callable, Iterator
from dataclasses import dataclass
from pathlib import Path

BACKEND = Path(__file__).resolve().parents[1]
CSRF = "c" * 32
ROUNDS = 12
CLIENTS = 8


@dataclass(frozen=True)
class Client:
    """One teacher's browser: a connection that stays open."""

    teacher: int
    session: str
    connection: http.client.HTTPConnection
    ids: dict[str, str]

    def ask(self, method: str, path: str, body: object = None) -> float:
        """Milliseconds until the whole answer is there."""
        headers = {
            "Cookie": f"sessionid={self.session}; csrftoken={CSRF}",
            "X-CSRFToken": CSRF,
            "Content-Type": "application/json",
        }
        content = None if body is None else json.dumps(body)
        started = time.perf_counter()
        try:
            self.connection.request(method, path, content, headers)
            answer = self.connection.getresponse()
        except (http.client.RemoteDisconnected, BrokenPipeError):  # closed as it was idle
            self.connection.close()
            self.connection.request(method, path, content, headers)
            answer = self.connection.getresponse()
        text = answer.read()
        took = 1000 * (time.perf_counter() - started)
        if answer.status != http.client.OK:
            raise RuntimeError(f"{method} {path}: {answer.status} {text[:200]!r}")
        return took


def entry(lesson: str) -> Callable[[Client], float]:
    def one(client: Client) -> float:
        key = uuid.uuid4().hex
        body = {"client_key": key, "kind": "observation", "key": "", "value": 2}
        body["key"] = client.ids["check"] if lesson == "lesson" else client.ids["long_check"]
        return client.ask("POST", f"/api/lessons/{client.ids[lesson]}/entries", body)

    return one


def page(path: str) -> Callable[[Client], float]:
    return lambda client: client.ask("GET", path.format(**client.ids))


PAGES: dict[str, Callable[[Client], float]] = {
    "today": page("/api/players/today"),
    "desk": page("/api/desk"),
    "player, 20 lessons": page("/api/players/{player}"),
    "player, 300 lessons": page("/api/players/{long_player}"),
    "class": page("/api/groups/{group}"),
    "week at home": page("/api/home/{link}"),
    "one entry, 20 lessons": entry("lesson"),
    "one entry, 300 lessons": entry("long_lesson"),
}


def prepare(today) -> list[dict[str, str]]:  # type: ignore[no-untyped-def]
    """A session and the ids to ask for, for each client; today's lessons are begun."""
    from django.contrib.auth import BACKEND_SESSION_KEY, HASH_SESSION_KEY, SESSION_KEY
    from django.contrib.auth.models import User
    from django.contrib.sessions.backends.db import SessionStore

    from lefthand.catalogue.catalogue import load_catalogue
    from lefthand.values.vocabulary import Instrument
    from studio.lessons.access import start_lesson
    from studio.models import HomeLink, Player

    def check(player: Player) -> str:
        evidence = load_catalogue().evidence_of(Instrument(player.instrument))
        return next(e.id for e in evidence if e.stage.value == "hand" and e.measure is None)

    found = []
    for teacher in User.objects.order_by("pk")[:CLIENTS]:
        store = SessionStore()
        store[SESSION_KEY] = str(teacher.pk)
        store[BACKEND_SESSION_KEY] = "django.contrib.auth.backends.ModelBackend"
        store[HASH_SESSION_KEY] = teacher.get_session_auth_hash()
        store.save()
        long, short = Player.objects.filter(teacher=teacher).order_by("pk")[:2]
        link = HomeLink.objects.get(player=short)
        found.append(
            {
                "teacher": str(teacher.pk),
                "session": str(store.session_key),
                "player": str(short.pk),
                "long_player": str(long.pk),
                "lesson": str(start_lesson(short, today).pk),
                "long_lesson": str(start_lesson(long, today).pk),
                "check": check(short),
                "long_check": check(long),
                "group": str(teacher.pk),
                "link": link.token,
            }
        )
    return found


def run(clients: list[Client], ask: Callable[[Client], float]) -> list[float]:
    """The times of all clients, who ask at once, again and again."""
    times: list[float] = []
    failures: list[BaseException] = []

    def go(client: Client) -> None:
        try:
            times.extend([ask(client) for _ in range(ROUNDS)])
        except (RuntimeError, OSError) as error:
            failures.append(error)

    threads = [threading.Thread(target=go, args=(client,)) for client in clients]
    for thread in threads:
        thread.start()
    for thread in threads:
        thread.join()
    if failures:
        raise failures[0]
    return times


def table(clients: list[Client]) -> Iterator[str]:
    yield f"{'ms':24}{'first':>8}{'one client':>12}{'(worst)':>9}{'eight':>8}{'(worst)':>9}"
    for name, ask in PAGES.items():
        first = max(ask(client) for client in clients)
        one = run(clients[:1], ask)
        eight = run(clients, ask)
        yield (
            f"{name:24}{first:>8.0f}{statistics.median(one):>12.0f}{max(one):>9.0f}"
            f"{statistics.median(eight):>8.0f}{max(eight):>9.0f}"
        )


def main() -> None:
    options = argparse.ArgumentParser(description=__doc__)
    options.add_argument("folder", type=Path)
    options.add_argument("--teachers", type=int, default=0, help="fewer, to try it out")
    chosen = options.parse_args()
    os.environ["JOLF_DATA"] = str(chosen.folder)
    os.environ.setdefault("DJANGO_SETTINGS_MODULE", "config.settings")
    import django

    django.setup()
    from django.contrib.auth.models import User
    from django.core.management import call_command
    from django.utils import timezone

    from bench.studio_data import WHOLE, Size, build
    from studio.models import Lesson, Observation, Player

    call_command("migrate", verbosity=0)
    today = timezone.localdate()
    if not User.objects.exists():
        size = WHOLE
        if chosen.teachers:
            size = Size(chosen.teachers, WHOLE.players, WHOLE.lessons)
        started = time.perf_counter()
        build(size, today)
        print(f"built in {time.perf_counter() - started:.0f} s", flush=True)
    counts = {m.__name__: m.objects.count() for m in (User, Player, Lesson, Observation)}
    print(", ".join(f"{count:,} {name}" for name, count in counts.items()), flush=True)
    people = prepare(today)
    port = 8731
    server = subprocess.Popen(
        [sys.executable, "-m", "config.serve", "--listen", f"127.0.0.1:{port}"], cwd=BACKEND
    )
    try:
        _wait(port)
        clients = [
            Client(
                int(ids["teacher"]),
                ids["session"],
                http.client.HTTPConnection("127.0.0.1", port, timeout=120),
                ids,
            )
            for ids in people
        ]
        for line in table(clients):
            print(line, flush=True)
    finally:
        server.terminate()
        server.wait()


def _wait(port: int) -> None:
    for _ in range(100):
        try:
            http.client.HTTPConnection("127.0.0.1", port, timeout=5).request("GET", "/api/session")
            return
        except OSError:
            time.sleep(0.2)
    raise RuntimeError("the server did not start")


if __name__ == "__main__":
    main()
