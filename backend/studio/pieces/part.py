"""The chosen bars of a piece as PDF: fingers, places to let go, and the way there."""

import json
from functools import reduce
from pathlib import Path

from lefthand.music.engraved_apart import engraved_apart
from lefthand.music.engraving import flat_svg
from lefthand.values.errors import InputError
from lefthand.values.said import said
from lefthand.words import told
from studio.errors import StudioError
from studio.paper.setting import Paper, set_pdf
from studio.pieces.pieces import ReadPiece

TEMPLATE = Path(__file__).with_name("part.typ")

BARS_TOGETHER = 8  # are kept on one page
WIDTH = 1900


def part_pdf(read: ReadPiece, paper: Paper = Paper.A4, one: str = "") -> bytes:
    """`one`: the one thing of the week, at its head.

    Raises StudioError while a stop is up, and for what cannot be drawn.
    """
    if read.is_paused:
        raise StudioError("paused")
    try:
        data = part_data(read, one)
    except InputError as error:
        raise StudioError("bad_input", "piece", error.problem) from error
    return set_pdf(TEMPLATE, {"part": json.dumps(data), "paper": paper.value})


def part_data(read: ReadPiece, one: str = "") -> dict[str, object]:
    piece, numbers = read.piece, [bar.number for bar in read.score.bars]
    return {
        "title": piece.title,
        "one": one,
        "words": told("part-words", first=numbers[piece.first], last=numbers[piece.last]),
        "music": [
            {"svg": svg, "alt": told("part-music", bar=numbers[first])}
            for first, svg in _lines(read)
        ],
        "way_title": told("part-way"),
        "way": _way(read, numbers),
    }


def _lines(read: ReadPiece) -> list[tuple[int, str]]:
    """(first bar, SVG) of a few bars each, so that no line is cut by a page."""
    piece = read.piece
    firsts = range(piece.first, piece.last + 1, BARS_TOGETHER)
    scores = (read.drawn(at, min(at + BARS_TOGETHER - 1, piece.last)) for at in firsts)
    drawn = engraved_apart(tuple(scores), WIDTH)
    return [(first, flat_svg(svg)) for first, svg in zip(firsts, drawn, strict=True)]


def _way(read: ReadPiece, numbers: list[str]) -> str:
    way = read.passage.lead_in
    if way is None:
        return ""
    stages = [
        said("part-stage", first=numbers[first], last=numbers[last]) for first, last in way.stages
    ]
    named = reduce(lambda before, stage: said("part-then", before=before, stage=stage), stages)
    return told("part-begin", stages=named, start=way.start, goal=way.goal)
