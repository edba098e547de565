"""The server: `python -m config.serve --listen 127.0.0.1:8000`.

Waitress behind settings that many idle or slow visitors cannot exhaust: there is room for many
connections, and those that say nothing are closed. Several processes share one address, so that
each core of the computer answers.
"""

import argparse
import json
import os
import signal
import socket
import threading
import time
from collections.abc import Callable
from contextlib import suppress
from types import FrameType
from typing import Any

import waitress

THREADS = 6
MOST_PROCESSES = 4
SETTINGS = {
    "threads": THREADS,
    "connection_limit": 1000,
    "channel_timeout": 30,  # seconds that a connection may say nothing
    "cleanup_interval": 10,
    "max_request_header_size": 32 * 1024,
    "max_request_body_size": 42 * 1000 * 1000,  # a player file of 40 MB, and its wrapping
    "asyncore_use_poll": True,
    "channel_request_lookahead": 1,  # tells long work that nobody waits for it any more
    "ident": None,
}
# A proxy on this computer says for whom it asks, and that it was asked over HTTPS.
BEHIND_PROXY = {
    "trusted_proxy": "127.0.0.1",
    "trusted_proxy_count": 1,
    "trusted_proxy_headers": "x-forwarded-proto x-forwarded-for",
    "clear_untrusted_proxy_headers": True,
}
WAIT_BEFORE_ANOTHER = 1.0


def usual_processes() -> int:
    """One a core, where processes can share an address."""
    return min(os.cpu_count() or 1, MOST_PROCESSES) if hasattr(os, "fork") else 1


def main() -> None:
    parser = argparse.ArgumentParser(prog="config.serve", description=__doc__)
    parser.add_argument("--listen", default="127.0.0.1:8000", help="address and port")
    parser.add_argument("--processes", type=int, default=usual_processes())
    chosen = parser.parse_args()
    host, _, port = chosen.listen.rpartition(":")
    share_limits(chosen.processes)
    serve(host, int(port), chosen.processes)


def share_limits(processes: int) -> None:
    """Let each process have its share of the tries that are allowed in all; before the settings
    are read."""
    os.environ["JOLF_PROCESSES"] = str(processes)


def serve(host: str, port: int, count: int, up: Callable[[], object] | None = None) -> None:
    """Serve in so many processes until told to end. `up`: told once, when pages are answered."""
    from django.db import connections

    from config.wsgi import application

    _word_what_the_server_refuses()
    warm_up()
    _tidy_up()
    connections.close_all()  # none is shared between processes
    more = BEHIND_PROXY if os.environ.get("JOLF_HTTPS") == "1" else {}
    with _listening(host, port) as listening:
        settings = {**SETTINGS, **more, "sockets": [listening]}
        # Not before there are processes: none is made while a thread runs.
        telling = threading.Thread(target=_tell, args=(port, up), daemon=True)
        if count > 1:
            _serve_in_processes(application, settings, count, telling)
        else:
            telling.start()
            waitress.serve(application, _quiet=True, **settings)
    _tidy_up()
    connections.close_all()


def _word_what_the_server_refuses() -> None:
    """A body over the server's own limit gets the one error body, too."""
    from waitress.utilities import RequestEntityTooLarge

    from api.errors import error_body

    def worded(_error: Any, _ident: str | None = None) -> tuple[str, list[tuple[str, str]], bytes]:
        body = json.dumps(error_body("too_large")).encode()
        return "413 Request Entity Too Large", [("Content-Type", "application/json")], body

    RequestEntityTooLarge.to_response = worded


def _tidy_up() -> None:
    """What an earlier run could not end: traces of who was erased, files that were half read."""
    from django.db import DatabaseError

    from studio.players.erasing import empty_log_again
    from studio.players.imported_writing import sweep_what_never_arrived

    with suppress(DatabaseError):  # somebody else is writing: the next request or start does it
        sweep_what_never_arrived()
        empty_log_again()


def _tell(port: int, up: Callable[[], object] | None) -> None:
    """Tell when the first answer has come."""
    if up is None:
        return
    for _ in range(300):
        try:
            with socket.create_connection(("127.0.0.1", port), timeout=5) as asking:
                asking.sendall(b"GET /api/session HTTP/1.0\r\nHost: 127.0.0.1\r\n\r\n")
                if asking.recv(9).startswith(b"HTTP/"):
                    up()
                    return
        except OSError:
            pass
        time.sleep(0.1)


def warm_up() -> None:
    """Read and draw once what the first visitor would wait for; every process has it then."""
    from django.urls import get_resolver

    get_resolver().url_patterns  # noqa: B018 - asked for is read
    from api.hands.present import hand_text
    from lefthand.values.vocabulary import Instrument

    for instrument in Instrument:
        hand_text(instrument, (), "main", None, "")


def _listening(host: str, port: int) -> socket.socket:
    listening = socket.socket(socket.AF_INET, socket.SOCK_STREAM)
    listening.setsockopt(socket.SOL_SOCKET, socket.SO_REUSEADDR, 1)
    listening.bind((host, port))
    return listening


def _serve_in_processes(
    application: Any, settings: dict[str, Any], count: int, telling: threading.Thread
) -> None:
    """Serve until told to end; a process that dies is followed by another."""
    children: set[int] = set()

    def end(_signal: int, _frame: FrameType | None) -> None:
        raise SystemExit(0)

    signal.signal(signal.SIGTERM, end)
    try:
        while True:
            while len(children) < count:
                children.add(_child(application, settings))
            if telling.ident is None:
                telling.start()
            died, _ = os.wait()
            children.discard(died)
            time.sleep(WAIT_BEFORE_ANOTHER)
    except KeyboardInterrupt:
        pass
    finally:
        for child in children:
            os.kill(child, signal.SIGTERM)
        for child in children:
            os.waitpid(child, 0)


def _child(application: Any, settings: dict[str, Any]) -> int:
    child = os.fork()
    if child:
        return child
    signal.signal(signal.SIGTERM, signal.SIG_DFL)
    signal.signal(signal.SIGINT, signal.SIG_IGN)
    waitress.serve(application, _quiet=True, **settings)
    os._exit(0)


if __name__ == "__main__":
    main()
