"""`python -m lefthand measure` and `take`: a recording of a drill measured, and one made up."""

import argparse
import json
from pathlib import Path
from typing import Any

import soundfile

from lefthand.catalogue.catalogue import load_catalogue
from lefthand.composing.compose import free_recipe, make_drill
from lefthand.music.drill_json import drill_json
from lefthand.music.request import DrillRequest
from lefthand.sound.findings import beside_of, cents_a_doubling, findings_of_two
from lefthand.sound.player import Playing, Room, Vibrato, play
from lefthand.sound.recording import HIGHEST_RATE, LOWEST_RATE, read_recording
from lefthand.sound.score import Score, parse_score
from lefthand.sound.take import Take, measure_take
from lefthand.sound.take_json import take_json
from lefthand.values.errors import InputError
from lefthand.values.fields import read_number, read_whole
from lefthand.values.json_text import read_json
from lefthand.values.vocabulary import FINGERS, Instrument

BARS = 8
WRITTEN = {".wav": "PCM_16", ".flac": "PCM_16"}


def add_measure_options(command: argparse.ArgumentParser) -> None:
    command.add_argument("take", type=Path, help="a sound file, 60 s at most")
    command.add_argument("--drill", type=Path, required=True, help="its jolf-drill/1 file")
    command.add_argument("--fast", type=Path, help="the same drill played faster")
    command.add_argument("--fast-drill", type=Path, help="its drill, if it was printed faster")


def measure_answer(chosen: argparse.Namespace) -> dict[str, Any]:
    """The take as `jolf-take/1`; with a fast one, what both tell together under `together`. Raises
    InputError naming the field."""
    score = _score(chosen.drill)
    take = measure_take(read_recording(chosen.take), score)
    answer = take_json(take)
    if chosen.fast is not None:
        fast_score = score if chosen.fast_drill is None else _score(chosen.fast_drill)
        answer["together"] = together_json(
            take, measure_take(read_recording(chosen.fast), fast_score)
        )
    elif chosen.fast_drill is not None:
        raise InputError("fast", "expected the fast take that --fast-drill belongs to")
    return answer


def together_json(slow: Take, fast: Take) -> dict[str, Any]:
    """What a slow and a fast take of one drill tell beside each other."""
    both = beside_of(slow), beside_of(fast)
    drift = cents_a_doubling(*both)
    return {
        "fast": take_json(fast),
        "cents_a_doubling": {str(finger): round(cents, 1) for finger, cents in drift.items()},
        "observations": findings_of_two(*both),
    }


def _score(path: Path) -> Score:
    return parse_score(read_json(path))


def add_take_options(command: argparse.ArgumentParser) -> None:
    command.add_argument("out", type=Path, help="the file to write: .wav or .flac")
    command.add_argument("--drill", type=Path, help="what is played; made and written beside it")
    command.add_argument("--name", default="four_by_four", help="of the drill that is made")
    command.add_argument("--instrument", choices=list(Instrument), default=Instrument.VIOLIN)
    command.add_argument("--off", action="append", default=[], help="cents of a finger: 4=-20")
    command.add_argument("--uneven", type=float, default=0.6, help="%% of spacing")
    command.add_argument("--pair", action="append", default=[], help="%% more of a pair: 3-4=8")
    command.add_argument("--vibrato", action="append", default=[], help="Hz and cents: 4=5.5,30")
    command.add_argument("--tempo", type=float, default=1.0, help="as a share of the drill's")
    command.add_argument("--tired-from", type=float, help="share from which it gets worse")
    command.add_argument("--break", dest="breaks", action="append", default=[], help="0.4-0.5")
    command.add_argument("--rings", type=float, default=1.0, help="share of a bowed neighbour")
    command.add_argument("--room", choices=list(Room), default=Room.USUAL)
    command.add_argument("--noise", type=float, default=30.0, help="dB below the music")
    command.add_argument("--rate", type=int, default=32_000, help="Hz")
    command.add_argument("--seed", type=int, default=1)


def take_answer(chosen: argparse.Namespace) -> dict[str, Any]:
    """Writes the take, and the drill beside it if it was not given; tells what was truly played.
    Raises InputError naming the option."""
    form = WRITTEN.get(chosen.out.suffix.lower())
    if form is None:
        raise InputError("out", f"expected a .wav or .flac file, got {chosen.out.name!r}")
    how = Playing(
        tempo=read_number("tempo", chosen.tempo, 0.2, 5),
        off={_finger("off", k): _cents("off", v) for k, v in _pairs("off", chosen.off)},
        uneven=read_number("uneven", chosen.uneven, 0, 50),
        uneven_pairs={_two("pair", k): _percent(v) for k, v in _pairs("pair", chosen.pair)},
        vibrato={_finger("vibrato", k): _vibrato(v) for k, v in _pairs("vibrato", chosen.vibrato)},
        tired_from=None
        if chosen.tired_from is None
        else read_number("tired_from", chosen.tired_from, 0, 1),
        breaks=tuple(_share(each) for each in chosen.breaks),
        rings=read_number("rings", chosen.rings, 0, 1),
        room=Room(chosen.room),
        noise=read_number("noise", chosen.noise, -20, 120),
    )
    rate = read_whole("rate", chosen.rate, LOWEST_RATE, HIGHEST_RATE)
    seed = read_whole("seed", chosen.seed, 0, 10**9)
    music = chosen.out.with_suffix(".json") if chosen.drill is None else chosen.drill
    try:
        if chosen.drill is None:
            music.write_text(json.dumps(_drill(chosen, seed)), encoding="utf-8")
        made = play(_score(music), how, seed, rate)
        soundfile.write(chosen.out, made.samples, rate, subtype=form)
    except (OSError, soundfile.SoundFileError) as error:
        raise InputError("out", f"cannot be written ({error})") from error
    return {
        "file": str(chosen.out),
        "drill": str(music),
        "seconds": round(len(made.samples) / rate, 2),
        "notes": [
            {"i": n.place, "onset": round(n.onset, 4), "cents": round(n.cents, 1)}
            for n in made.notes
        ],
    }


def _drill(chosen: argparse.Namespace, seed: int) -> dict[str, Any]:
    request = DrillRequest(Instrument(chosen.instrument), slurred=True, bars=BARS, seed=seed)
    recipe = free_recipe(chosen.name, request.instrument, load_catalogue())
    asked = (("name", chosen.name), ("slurred", True), ("seed", seed))
    return drill_json(make_drill(recipe, request, asked))


def _pairs(field: str, words: list[str]) -> list[tuple[str, str]]:
    for word in words:
        if "=" not in word:
            raise InputError(field, f"expected a finger and its value such as 4=-20, got {word!r}")
    return [tuple(word.split("=", 1)) for word in words]  # type: ignore[misc]


def _number(field: str, text: str, low: float, high: float) -> float:
    try:
        value = float(text)
    except ValueError:
        raise InputError(field, f"expected a number, got {text!r}") from None
    return read_number(field, value, low, high)


def _finger(field: str, text: str) -> int:
    if not text.isdigit() or int(text) not in (0, *FINGERS):
        raise InputError(field, f"expected a finger 0 to 4, got {text!r}")
    return int(text)


def _two(field: str, text: str) -> tuple[int, int]:
    one, _, other = text.partition("-")
    low, high = sorted((_finger(field, one), _finger(field, other)))
    return low, high


def _cents(field: str, text: str) -> float:
    return _number(field, text, -600, 600)


def _percent(text: str) -> float:
    return _number("pair", text, 0, 50)


def _vibrato(text: str) -> Vibrato:
    rate, _, width = text.partition(",")
    return Vibrato(_number("vibrato", rate, 1, 12), _number("vibrato", width, 0, 300))


def _share(text: str) -> tuple[float, float]:
    begins, _, ends = text.partition("-")
    return _number("break", begins, 0, 1), _number("break", ends, 0, 1)
