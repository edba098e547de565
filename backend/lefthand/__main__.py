"""The core from the command line: `python -m lefthand diagnose CASE.json`.

Prints JSON on stdout. Bad input: one line on stderr that names the field, exit code 2.
"""

import argparse
import io
import json
import os
import sys
from collections.abc import Callable, Iterable, Sequence
from pathlib import Path
from typing import Any

from lefthand import (
    Catalogue,
    InputError,
    angles_json,
    change_json,
    change_of,
    diagnose,
    diagnosis_json,
    load_catalogue,
    parse_case,
    parse_course,
    parse_fit,
    parse_hand,
    parse_points,
    picture_json,
    plan_json,
    prescribe,
    reach_json,
)
from lefthand.catalogue.skeleton import SKELETONS, make_skeleton
from lefthand.drill_command import add_drill_options, drill_answer
from lefthand.passage_command import add_passage_options, passage_answer
from lefthand.simulation.course_report import course_report
from lefthand.simulation.report import report
from lefthand.sound_command import (
    add_measure_options,
    add_take_options,
    measure_answer,
    take_answer,
)
from lefthand.values.json_text import parse_json, read_json
from lefthand.values.vocabulary import Instrument


def _diagnose(data: Any, catalogue: Catalogue) -> dict[str, Any]:
    return diagnosis_json(diagnose(parse_case(data, catalogue), catalogue))


def _prescribe(data: Any, catalogue: Catalogue) -> dict[str, Any]:
    case = parse_case(data, catalogue)
    return plan_json(prescribe(diagnose(case, catalogue), catalogue))


def _reach(data: Any, catalogue: Catalogue) -> dict[str, Any]:
    return reach_json(parse_fit(data, catalogue))


def _angles(data: Any, catalogue: Catalogue) -> dict[str, Any]:
    return angles_json(parse_points(data), catalogue)


def _hand(data: Any, catalogue: Catalogue) -> dict[str, Any]:
    return picture_json(*parse_hand(data, catalogue))


def _change(data: Any, catalogue: Catalogue) -> dict[str, Any]:
    return change_json(change_of(parse_course(data, catalogue), catalogue))


Answer = Callable[[Any, Catalogue], dict[str, Any]]
BAD_INPUT = 2

# What answers a file: how, which format it is in, and what the answer is.
COMMANDS: dict[str, tuple[Answer, str, str]] = {
    "diagnose": (_diagnose, "jolf-case/1", "causes, focus, next look and safety of a case"),
    "prescribe": (_prescribe, "jolf-case/1", "the week's plan for a case"),
    "change": (_change, "jolf-course/1", "what truly changed over the lessons of a player"),
    "reach": (_reach, "jolf-fit/1", "the span a frame needs, against the hand's"),
    "hand": (_hand, "jolf-hand/1", "a left hand drawn as it was seen, with its joint angles"),
    "angles": (_angles, "jolf-points/1", "angles of the hand from points on a picture"),
}


def _count(text: str) -> int:
    number = int(text)
    if number < 1:
        raise argparse.ArgumentTypeError(f"expected a number of players from 1 on, got {number}")
    return number


def _one(run: Answer, path: Path, catalogue: Catalogue) -> int:
    return _told(lambda: run(read_json(path), catalogue))


def _told(answer: Callable[[], dict[str, Any]]) -> int:
    try:
        result = answer()
    except InputError as error:
        print(" ".join(str(error).split()), file=sys.stderr)
        return BAD_INPUT
    json.dump(result, sys.stdout, indent=2, ensure_ascii=False)
    print()
    return 0


def _many(run: Answer, path: Path, catalogue: Catalogue) -> int:
    """One answer a line, in order; a line that cannot be used answers with its error."""
    code = 0
    try:
        lines = sys.stdin if str(path) == "-" else path.open(encoding="utf-8")
    except OSError as error:
        print(f"{path}: cannot be read ({error.strerror})", file=sys.stderr)
        return BAD_INPUT
    with lines:
        for number, line in enumerate(lines, start=1):
            answer: dict[str, Any]
            try:
                answer = run(parse_json(line, f"line {number}"), catalogue)
            except InputError as error:
                answer = {"error": {"field": error.field, "problem": error.problem}}
                code = BAD_INPUT
            print(json.dumps(answer, ensure_ascii=False))
    return code


def _parser() -> argparse.ArgumentParser:
    parser = argparse.ArgumentParser(prog="lefthand", description=__doc__)
    commands = parser.add_subparsers(dest="command", required=True)
    for name, (_, form, summary) in COMMANDS.items():
        command = commands.add_parser(name, help=summary)
        command.add_argument("file", type=Path, help=f"a {form} file")
        command.add_argument(
            "--lines",
            action="store_true",
            help="the file (- for stdin) holds one a line; answer one result a line",
        )
    fresh = commands.add_parser("new", help="the skeleton of a new check, exercise, cause ...")
    fresh.add_argument("kind", choices=list(SKELETONS))
    fresh.add_argument("id", help="small letters, digits, underscores; a check has a point")
    trial = commands.add_parser("simulate", help="how well the next look does on simulated players")
    trial.add_argument("--players", type=_count, default=200)
    trial.add_argument(
        "--courses", type=_count, help="instead: how often what is said of so many courses is right"
    )
    trial.add_argument("--seed", type=int, default=1)
    trial.add_argument(
        "--instrument", choices=list(Instrument), nargs="*", default=list(Instrument)
    )
    add_drill_options(commands.add_parser("drill", help="the music of a step, or of a free drill"))
    add_measure_options(commands.add_parser("measure", help="what a recording of a drill tells"))
    add_take_options(commands.add_parser("take", help="a made-up recording with known faults"))
    add_passage_options(commands.add_parser("passage", help="where a trouble returns in a piece"))
    return parser


def main(arguments: Sequence[str] | None = None) -> int:
    chosen = _parser().parse_args(arguments)
    answers: dict[str, Callable[[], dict[str, Any]]] = {
        "drill": lambda: drill_answer(chosen, load_catalogue()),
        "measure": lambda: measure_answer(chosen),
        "take": lambda: take_answer(chosen),
        "passage": lambda: passage_answer(chosen, load_catalogue()),
    }
    if chosen.command in answers:
        return _told(answers[chosen.command])
    if chosen.command in ("simulate", "new"):
        return _lines(_simulated if chosen.command == "simulate" else _begun, chosen)
    run, _, _ = COMMANDS[chosen.command]
    return (_many if chosen.lines else _one)(run, chosen.file, load_catalogue())


def _lines(
    answer: Callable[[argparse.Namespace], Iterable[str]], chosen: argparse.Namespace
) -> int:
    try:
        for line in answer(chosen):
            print(line, flush=True)
    except InputError as error:
        print(error, file=sys.stderr)
        return BAD_INPUT
    return 0


def _begun(chosen: argparse.Namespace) -> Iterable[str]:
    return make_skeleton(chosen.kind, chosen.id)


def _simulated(chosen: argparse.Namespace) -> Iterable[str]:
    instruments = [Instrument(each) for each in chosen.instrument]
    if chosen.courses:
        return course_report(load_catalogue(), instruments, chosen.courses, chosen.seed)
    return report(instruments, chosen.players, chosen.seed)


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
