"""`python -m lefthand passage`: where in a piece this hand's trouble comes back, as JSON."""

import argparse
import re
from pathlib import Path
from typing import Any

from lefthand.catalogue.catalogue import Catalogue
from lefthand.music.reading.piece import Piece
from lefthand.music.reading.reader import read_piece
from lefthand.music.reading.unpacking import LARGEST_FILE
from lefthand.passage.passage import Asked, read_passage
from lefthand.passage.passage_json import passage_json
from lefthand.values.errors import InputError
from lefthand.values.fields import read_number, read_whole
from lefthand.values.vocabulary import FINGERS, Instrument, Level

TEMPI = (10, 400)
SPANS, LENGTHS = (15, 300), (150, 1300)  # mm


def add_passage_options(command: argparse.ArgumentParser) -> None:
    command.add_argument("piece", type=Path, help="MusicXML: .musicxml, .xml or .mxl")
    command.add_argument("--instrument", choices=list(Instrument), required=True)
    command.add_argument("--part", help="its id, name or number")
    command.add_argument("--bars", help="such as 1-32, as they are counted from 1")
    command.add_argument("--causes", default="", help="such as weak_finger,thumb_index_grip")
    command.add_argument("--finger", type=int, default=FINGERS[-1], help="the weak finger")
    command.add_argument("--level", choices=list(Level), default=Level.INTERMEDIATE)
    command.add_argument("--tempo", type=float, help="quarters a minute")
    command.add_argument("--span", type=float, help="first to fourth at ease, mm")
    command.add_argument("--string-length", type=float, help="mm")


def passage_answer(chosen: argparse.Namespace, catalogue: Catalogue) -> dict[str, Any]:
    """The answer to the options. Raises InputError naming the one that cannot be used."""
    instrument = Instrument(chosen.instrument)
    piece = read_piece(_bytes_of(chosen.piece), chosen.part, instrument)
    asked = Asked(
        instrument=instrument,
        level=Level(chosen.level),
        causes=_causes(chosen.causes, instrument, catalogue),
        finger=read_whole("finger", chosen.finger, FINGERS[0], FINGERS[-1]),
        tempo=_number("tempo", chosen.tempo, TEMPI),
        span=_number("span", chosen.span, SPANS),
        length=_number("string-length", chosen.string_length, LENGTHS),
        bars=_bars(chosen.bars, piece),
    )
    return passage_json(read_passage(piece, asked))


def _bytes_of(path: Path) -> bytes:
    try:
        with path.open("rb") as file:
            return file.read(LARGEST_FILE + 1)
    except OSError as error:
        raise InputError("piece", f"cannot be read ({error.strerror})") from error


def _number(name: str, value: float | None, limits: tuple[float, float]) -> float | None:
    return None if value is None else read_number(name, value, *limits)


def _causes(text: str, instrument: Instrument, catalogue: Catalogue) -> dict[str, float]:
    found = {}
    for name in filter(None, text.split(",")):
        cause = catalogue.causes.get(name)
        if cause is None:
            raise InputError("causes", f"unknown cause {name[:40]!r}")
        if instrument not in cause.instruments:
            raise InputError("causes", f"{name} is not for {instrument.value!r}")
        found[name] = 1.0
    return found


def _bars(text: str | None, piece: Piece) -> tuple[int, int] | None:
    if text is None:
        return None
    match = re.fullmatch(r"(\d{1,4})(?:-(\d{1,4}))?", text.strip())
    if match is None:
        raise InputError("bars", f"expected such as 1-32, got {text[:20]!r}")
    first, last = int(match[1]), int(match[2] or match[1])
    if not 1 <= first <= last <= len(piece.bars):
        raise InputError("bars", f"expected 1 to {len(piece.bars)}, got {text}")
    return first - 1, last - 1
