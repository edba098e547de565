"""The server: `python -m config.serve --listen 127.0.0.1:8000`.

Waitress behind settings that many idle or slow visitors cannot exhaust: there is room for many
connections, and those that say nothing are closed. Several processes share one address, so that
each core of the computer answers.
"""

import argparse
import os
import signal
import socket
import time
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
    os.environ["JOLF_PROCESSES"] = str(chosen.processes)  # the limits of tries are shared out
    from config.wsgi import application

    _warm_up()
    host, _, port = chosen.listen.rpartition(":")
    more = BEHIND_PROXY if os.environ.get("JOLF_HTTPS") == "1" else {}
    with _listening(host, int(port)) as listening:
        settings = {**SETTINGS, **more, "sockets": [listening]}
        if chosen.processes > 1:
            _serve_in_processes(application, settings, chosen.processes)
        else:
            waitress.serve(application, _quiet=True, **settings)


def _warm_up() -> None:
    """Read and draw once what the first visitor would wait for; every process has it then."""
    from api.hands.present import hand_text
    from lefthand.values.vocabulary import Instrument

    for instrument in Instrument:
        hand_text(instrument, (), "main", None)


def _listening(host: str, port: int) -> socket.socket:
    listening = socket.socket(socket.AF_INET, socket.SOCK_STREAM)
    listening.setsockopt(socket.SOL_SOCKET, socket.SO_REUSEADDR, 1)
    listening.bind((host, port))
    return listening


def _serve_in_processes(application: Any, settings: dict[str, Any], count: int) -> None:
    """Serve until told to end; a process that dies is followed by another."""
    children: set[int] = set()

    def end(_signal: int, _frame: FrameType | None) -> None:
        raise SystemExit(0)

    signal.signal(signal.SIGTERM, end)
    try:
        while True:
            while len(children) < count:
                children.add(_child(application, settings))
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
