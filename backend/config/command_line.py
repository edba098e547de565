"""The commands that run a studio: demo, serve, backup, restore, teacher.

`./jolf` in a checkout sets everything up and then calls these; the installed package offers them as
`jolf`. Each runs Django's own command line in this folder, so that trouble ends in one line.
"""

from __future__ import annotations

import argparse
import os
import socket
import subprocess
import sys
from collections.abc import Sequence
from pathlib import Path

BACKEND = Path(__file__).resolve().parent.parent
SAID_ALREADY = 2  # how a command ends that has told in one line why it cannot go on
DEMO = "demo.sqlite3"
USUAL_PORT = 8000


class CannotGoOnError(Exception):
    """One plain line for whoever typed the command."""


def say(text: str) -> None:
    print(f"jolf: {text}", flush=True)


def manage(*arguments: str | Path, env: dict[str, str] | None = None) -> None:
    """One of Django's commands. Raises CalledProcessError."""
    command = [sys.executable, "manage.py", *map(str, arguments)]
    subprocess.run(command, cwd=BACKEND, env=env, check=True)


def environment(database: str | None = None) -> dict[str, str]:
    return {**os.environ, **({"JOLF_DATABASE": database} if database is not None else {})}


def free_port(wanted: int) -> int:
    """The wanted port, or another free one when it is taken."""
    for port in (wanted, 0):
        with socket.socket() as probe:
            probe.setsockopt(socket.SOL_SOCKET, socket.SO_REUSEADDR, 1)
            try:
                probe.bind(("127.0.0.1", port))
            except OSError:
                continue
            return int(probe.getsockname()[1])
    raise CannotGoOnError("no free port on this computer")


def network_address() -> str:
    """This computer's own address in the local network; no packet is sent to find it."""
    with socket.socket(socket.AF_INET, socket.SOCK_DGRAM) as probe:
        try:
            probe.connect(("192.0.2.1", 9))  # a documentation address (RFC 5737)
        except OSError as error:
            raise CannotGoOnError("this computer is in no network") from error
        return str(probe.getsockname()[0])


def server_command(port: int, host: str = "127.0.0.1") -> list[str]:
    """How the server is started."""
    return [sys.executable, "-m", "config.serve", "--listen", f"{host}:{port}"]


def run_server(port: int, env: dict[str, str], *, network: bool = False) -> None:
    """For this computer, or for every device of the local network."""
    host = network_address() if network else "127.0.0.1"
    address = f"http://{host}:{port}"
    if network:
        hosts = env.get("JOLF_HOSTS", "localhost,127.0.0.1,[::1]")
        env = {"JOLF_ADDRESS": address, **env, "JOLF_HOSTS": f"{hosts},{host}"}
        say("every device of this network can reach it; use this only in a network you trust")
    say(f"open {address}   (Ctrl-C stops it)")
    command = server_command(port, "0.0.0.0" if network else host)  # noqa: S104 - asked for
    if hasattr(os, "fork"):  # what stops this command then stops the server
        os.chdir(BACKEND)
        os.execve(command[0], command, env)
    subprocess.run(command, cwd=BACKEND, env=env, check=True)


def demo(options: argparse.Namespace) -> None:
    env = environment(DEMO)
    manage("update_database", env=env)
    fresh = ["--fresh"] if options.fresh or options.weeks is not None else []
    weeks = [] if options.weeks is None else ["--weeks", str(options.weeks)]
    manage("demo", *fresh, *weeks, env=env)
    run_server(free_port(options.port), env, network=options.network)


def serve(options: argparse.Namespace) -> None:
    env = environment()
    manage("update_database", env=env)
    manage("first_teacher", env=env)
    run_server(free_port(options.port), env, network=options.network)


def backup(options: argparse.Namespace) -> None:
    manage("backup", Path(options.file).resolve(), env=environment(options.database))


def restore(options: argparse.Namespace) -> None:
    more = ["--over-newer"] if options.over_newer else []
    env = environment(options.database)
    manage("restore", Path(options.file).resolve(), *more, env=env)


def teacher(options: argparse.Namespace) -> None:
    env = environment()
    manage("update_database", env=env)
    manage("teacher", options.action, options.name, env=env)


def add_commands(commands: argparse._SubParsersAction[argparse.ArgumentParser]) -> None:
    """The commands of this file with their options; `run` holds what each does."""
    for name, run, summary in (
        ("demo", demo, "load the demo studio, start the server"),
        ("serve", serve, "the server for your own studio"),
    ):
        served = commands.add_parser(name, help=summary)
        served.set_defaults(run=run)
        served.add_argument("--port", type=int, default=USUAL_PORT)
        served.add_argument(
            "--network", action="store_true", help="reachable from phones in the same network"
        )
        if name == "demo":
            served.add_argument("--fresh", action="store_true", help="build the demo studio anew")
            served.add_argument("--weeks", type=int, help="anew, and reaching so many weeks back")
    for name, run, summary in (
        ("backup", backup, "copy the studio into one file, while it is served too"),
        ("restore", restore, "put a backup in the place of the studio"),
    ):
        kept = commands.add_parser(name, help=summary)
        kept.set_defaults(run=run)
        kept.add_argument("file")
        kept.add_argument("--database", help="its file name; the demo's is demo.sqlite3")
        if name == "restore":
            kept.add_argument(
                "--over-newer", action="store_true", help="also over entries that it lacks"
            )
    accounts = commands.add_parser("teacher", help="add NAME, password NAME, remove NAME, or list")
    accounts.set_defaults(run=teacher)
    accounts.add_argument("action", choices=("add", "password", "remove", "list"))
    accounts.add_argument("name", nargs="?", default="")


def main(arguments: Sequence[str] | None = None) -> int:
    parser = argparse.ArgumentParser(prog="jolf", description="Run a Jolf studio.")
    add_commands(parser.add_subparsers(dest="command", required=True))
    options = parser.parse_args(arguments)
    try:
        options.run(options)
    except CannotGoOnError as trouble:
        say(str(trouble))
        return SAID_ALREADY
    except subprocess.CalledProcessError as error:
        if error.returncode != SAID_ALREADY:
            say(f"this step failed: {' '.join(map(str, error.cmd))}")
        return error.returncode or 1
    except KeyboardInterrupt:
        say("stopped")
    return 0


if __name__ == "__main__":
    sys.exit(main())
