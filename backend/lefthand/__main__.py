"""The core from the command line: `python -m lefthand diagnose CASE.json`.

Prints JSON on stdout. Bad input: one line on stderr that names the field, exit code 2.
"""

import argparse
import io
import json
import os
import sys
from collections.abc import Callable, Sequence
from pathlib import Path
from typing import Any

from lefthand.case import Case, read_case
from lefthand.catalogue import Catalogue, load_catalogue
from lefthand.diagnosis import diagnose, diagnosis_json
from lefthand.errors import InputError
from lefthand.planning import plan_json, prescribe
from lefthand.simulation_report import report
from lefthand.vocabulary import Instrument


def _diagnose(case: Case, catalogue: Catalogue) -> dict[str, Any]:
    return diagnosis_json(diagnose(case, catalogue))


def _prescribe(case: Case, catalogue: Catalogue) -> dict[str, Any]:
    return plan_json(prescribe(diagnose(case, catalogue), catalogue))


COMMANDS: dict[str, tuple[Callable[[Case, Catalogue], dict[str, Any]], str]] = {
    "diagnose": (_diagnose, "causes, focus, next look and safety of a case"),
    "prescribe": (_prescribe, "the week's plan for a case"),
}


def _count(text: str) -> int:
    number = int(text)
    if number < 1:
        raise argparse.ArgumentTypeError(f"expected a number of players from 1 on, got {number}")
    return number


def main(arguments: Sequence[str] | None = None) -> int:
    parser = argparse.ArgumentParser(prog="lefthand", description=__doc__)
    commands = parser.add_subparsers(dest="command", required=True)
    for name, (_, summary) in COMMANDS.items():
        command = commands.add_parser(name, help=summary)
        command.add_argument("case", type=Path, help="a jolf-case/1 file")
    trial = commands.add_parser("simulate", help="how well the next look does on simulated players")
    trial.add_argument("--players", type=_count, default=200)
    trial.add_argument("--seed", type=int, default=1)
    trial.add_argument(
        "--instrument", choices=list(Instrument), nargs="*", default=list(Instrument)
    )
    chosen = parser.parse_args(arguments)
    if chosen.command == "simulate":
        for line in report(map(Instrument, chosen.instrument), chosen.players, chosen.seed):
            print(line, flush=True)
        return 0
    run, _ = COMMANDS[chosen.command]
    catalogue = load_catalogue()
    try:
        result = run(read_case(chosen.case, catalogue), catalogue)
    except InputError as error:
        print(" ".join(str(error).split()), file=sys.stderr)
        return 2
    json.dump(result, sys.stdout, indent=2, ensure_ascii=False)
    print()
    return 0


def run_as_command() -> int:
    """`main` for a terminal or a pipe: UTF-8 whatever the locale says, quiet when nobody reads
    on."""
    if isinstance(sys.stdout, io.TextIOWrapper):
        sys.stdout.reconfigure(encoding="utf-8")
    try:
        code = main()
        sys.stdout.flush()
    except BrokenPipeError:
        os.dup2(os.open(os.devnull, os.O_WRONLY), sys.stdout.fileno())
        return 0
    return code


if __name__ == "__main__":
    sys.exit(run_as_command())
