"""`python -m lefthand drill`: the music of an exercise's step, or of a free drill, as JSON."""

import argparse
from typing import Any

from lefthand.catalogue.catalogue import Catalogue
from lefthand.composing.compose import free_recipe, make_drill
from lefthand.composing.for_exercise import ForWhom, drill_of
from lefthand.music.drill_json import drill_json, no_drill_json
from lefthand.music.request import MIDDLE, DrillRequest
from lefthand.values.errors import InputError
from lefthand.values.fields import read_whole
from lefthand.values.vocabulary import FINGERS, Instrument, Level

STRINGS = len(FINGERS)


def add_drill_options(command: argparse.ArgumentParser) -> None:
    what = command.add_mutually_exclusive_group(required=True)
    what.add_argument("--exercise", help="an exercise by its id")
    what.add_argument("--name", help="a drill by its name")
    command.add_argument("--instrument", choices=list(Instrument), default=Instrument.VIOLIN)
    command.add_argument("--rung", type=int, default=1, help="of the exercise, from 1")
    command.add_argument("--fingers", default="", help="aimed-at fingers, such as 4 or 3,4")
    command.add_argument("--level", choices=list(Level), default=Level.INTERMEDIATE)
    command.add_argument("--way", action="append", default=[], help="bass_fingering=1234")
    command.add_argument("--string", type=int, help="1 is the highest")
    command.add_argument("--position", type=int)
    command.add_argument("--frame")
    command.add_argument("--tempo", type=int, help="quarters a minute")
    command.add_argument("--bars", type=int)
    command.add_argument("--difficulty", type=int, default=MIDDLE)
    command.add_argument("--tune", help="this tune, of a drill that plays one")
    command.add_argument("--slurred", action="store_true")
    command.add_argument("--seed", type=int, default=1)


def drill_answer(chosen: argparse.Namespace, catalogue: Catalogue) -> dict[str, Any]:
    """The answer to the options. Raises InputError naming the one that cannot be used."""
    instrument = Instrument(chosen.instrument)
    fingers = _fingers(chosen.fingers)
    if chosen.name is not None:
        return _free(chosen, instrument, fingers, catalogue)
    exercise = catalogue.exercises.get(chosen.exercise)
    if exercise is None:
        raise InputError("exercise", f"unknown exercise {chosen.exercise!r}")
    if instrument not in exercise.instruments:
        raise InputError("exercise", f"{exercise.id} is not for {instrument.value!r}")
    rung = read_whole("rung", chosen.rung, 1, len(exercise.rungs))
    for option, value, usual in _of_free_drills(chosen):
        if value != usual:
            raise InputError(option, f"goes with --name; {exercise.id} says its own")
    ways = _ways(chosen.way, catalogue)
    whose = ForWhom(fingers, ways, Level(chosen.level), seed=chosen.seed, position=chosen.position)
    drill = drill_of(exercise, rung, instrument, whose)
    if drill is None:
        asked = {"exercise": exercise.id, "rung": rung, "seed": chosen.seed}
        return no_drill_json(instrument.value, asked)
    return drill_json(drill)


def _of_free_drills(chosen: argparse.Namespace) -> list[tuple[str, Any, Any]]:
    """Options that an exercise would ignore, each with what was given and its usual value."""
    usual: dict[str, Any] = {
        **dict.fromkeys(("string", "frame", "tempo", "bars", "tune")),
        "slurred": False,
        "difficulty": MIDDLE,
    }
    return [(name, getattr(chosen, name), value) for name, value in usual.items()]


def _free(
    chosen: argparse.Namespace,
    instrument: Instrument,
    fingers: tuple[int, ...],
    catalogue: Catalogue,
) -> dict[str, Any]:
    string = chosen.string
    if string is not None:
        string = STRINGS - read_whole("string", string, 1, STRINGS)
    request = DrillRequest(
        instrument=instrument,
        tempo=chosen.tempo,
        bars=chosen.bars,
        fingers=fingers,
        string=string,
        position=chosen.position,
        frame=chosen.frame,
        difficulty=chosen.difficulty,
        level=Level(chosen.level),
        slurred=chosen.slurred,
        seed=chosen.seed,
        tune=chosen.tune,
    )
    options = ("tempo", "bars", "string", "position", "frame", "difficulty", "slurred", "seed")
    asked = {"name": chosen.name, "fingers": list(fingers)}
    asked |= {name: getattr(chosen, name) for name in options}
    asked |= {} if chosen.tune is None else {"tune": chosen.tune}
    recipe = free_recipe(chosen.name, instrument, catalogue)
    return drill_json(make_drill(recipe, request, tuple(asked.items())))


def _fingers(text: str) -> tuple[int, ...]:
    signs = [sign for sign in text.replace(",", " ").split() if sign]
    for sign in signs:
        if not sign.isdigit() or int(sign) not in FINGERS:
            raise InputError("fingers", f"expected fingers 1 to 4, got {sign!r}")
    return tuple(dict.fromkeys(map(int, signs)))


def _ways(words: list[str], catalogue: Catalogue) -> dict[str, str]:
    ways = {}
    for word in words:
        key, _, value = word.partition("=")
        if key not in catalogue.ways or value not in catalogue.ways[key].values:
            raise InputError("way", f"expected a way of teaching and its value, got {word!r}")
        ways[key] = value
    return ways
