"""The commands that run a studio: demo, serve, backup, restore, teacher.

`./jolf` in a checkout sets everything up and then calls these; the installed package offers them as
`jolf`. All of a command happens in one process; trouble with files ends in one line.
"""

from __future__ import annotations

import argparse
import os
import socket
import sys
from collections.abc import Sequence
from functools import partial
from pathlib import Path

BACKEND = Path(__file__).resolve().parent.parent
SAID_ALREADY = 2  # how a command ends that has told in one line why it cannot go on
DEMO = "demo.sqlite3"
USUAL_PORT = 8000


class CannotGoOnError(Exception):
    """One plain line for whoever typed the command."""


def say(text: str) -> None:
    print(f"jolf: {text}", flush=True)


def use(database: str | None = None) -> None:
    """Get Django ready, for another file than the usual database where one is named."""
    if database is not None:
        os.environ["JOLF_DATABASE"] = database
    os.environ.setdefault("DJANGO_SETTINGS_MODULE", "config.settings")
    import django

    django.setup()


def manage(*arguments: str | Path) -> None:
    """One of Django's commands, in this process. Raises CannotGoOnError with its one line."""
    from django.core.management import CommandError, call_command

    try:
        call_command(*map(str, arguments))
    except CommandError as error:
        raise CannotGoOnError(str(error)) from error


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


def run_server(port: int, *, network: bool = False) -> None:
    """For this computer, or for every device of the local network."""
    host = network_address() if network else "127.0.0.1"
    address = f"http://{host}:{port}"
    if network:
        say("every device of this network can reach it; use this only in a network you trust")
    from config.serve import serve, usual_processes

    listen = "0.0.0.0" if network else host  # noqa: S104 - asked for
    up = partial(say, f"open {address}   (Ctrl-C stops it)")
    serve(listen, port, usual_processes(), up)


def tell_settings(port: int, *, network: bool) -> None:
    """How many processes will serve, and by which address devices of the network come."""
    from config.serve import share_limits, usual_processes

    share_limits(usual_processes())
    if network:
        host = network_address()
        os.environ.setdefault("JOLF_ADDRESS", f"http://{host}:{port}")
        hosts = os.environ.get("JOLF_HOSTS", "localhost,127.0.0.1,[::1]")
        os.environ["JOLF_HOSTS"] = f"{hosts},{host}"


def prepare_demo(options: argparse.Namespace) -> None:
    use(DEMO)
    manage("update_database")
    fresh = ["--fresh"] if options.fresh or options.weeks is not None else []
    weeks = [] if options.weeks is None else ["--weeks", str(options.weeks)]
    manage("demo", *fresh, *weeks)


def demo(options: argparse.Namespace) -> None:
    port = free_port(options.port)
    tell_settings(port, network=options.network)
    prepare_demo(options)
    run_server(port, network=options.network)


def serve(options: argparse.Namespace) -> None:
    port = free_port(options.port)
    tell_settings(port, network=options.network)
    use()
    manage("update_database")
    manage("first_teacher")
    run_server(port, network=options.network)


def backup(options: argparse.Namespace) -> None:
    use(options.database)
    manage("backup", Path(options.file).resolve())


def restore(options: argparse.Namespace) -> None:
    more = ["--over-newer"] if options.over_newer else []
    use(options.database)
    manage("restore", Path(options.file).resolve(), *more)


def forget(options: argparse.Namespace) -> None:
    use(options.database)
    manage("forget", "--older-than", str(options.older_than))


def teacher(options: argparse.Namespace) -> None:
    use()
    manage("update_database")
    manage("teacher", options.action, options.name)


def add_commands(commands: argparse._SubParsersAction[argparse.ArgumentParser]) -> None:
    """The commands of this file with their options; `run` holds what each does."""
    for name, run, summary in (
        ("demo", demo, "load the demo studio, start the server"),
        ("serve", serve, "the server for your own studio"),
        ("prepare-demo", prepare_demo, "load the demo studio alone, while its pages are built"),
    ):
        served = commands.add_parser(name, help=summary)
        served.set_defaults(run=run)
        served.add_argument("--port", type=int, default=USUAL_PORT)
        served.add_argument(
            "--network", action="store_true", help="reachable from phones in the same network"
        )
        if name != "serve":
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
    copies = commands.add_parser(
        "forget", help="remove the copies that were kept before updates and restores"
    )
    copies.set_defaults(run=forget)
    copies.add_argument("--older-than", type=int, default=0, metavar="DAYS")
    copies.add_argument("--database", help="its file name; the demo's is demo.sqlite3")
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
    except KeyboardInterrupt:
        say("stopped")
    except Exception as error:
        line = _in_one_line(error)
        if line is None:
            raise
        say(line)
        return SAID_ALREADY
    return 0


def _in_one_line(error: Exception) -> str | None:
    """What to tell of trouble with files; None of any other error."""
    from config.data_folder import database_path
    from config.trouble import in_one_line

    return in_one_line(error, database_path())


if __name__ == "__main__":
    sys.exit(main())
