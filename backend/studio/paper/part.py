"""The chosen bars of a piece as PDF: fingers, places to let go, and the way there."""

import json

from lefthand.music.engraving import engrave, flat_svg
from lefthand.music.reading.marking import drawn_part
from lefthand.passage.marks import marks_of
from studio.paper.setting import Paper, set_pdf
from studio.services.pieces import ReadPiece

BARS_TOGETHER = 8  # are kept on one page
WIDTH = 1900


def part_pdf(read: ReadPiece, paper: Paper = Paper.A4) -> bytes:
    return set_pdf("part.typ", {"part": json.dumps(part_data(read)), "paper": paper.value})


def part_data(read: ReadPiece) -> dict[str, object]:
    piece, numbers = read.piece, [bar.number for bar in read.score.bars]
    return {
        "title": piece.title,
        "words": f"Bars {numbers[piece.first]} to {numbers[piece.last]}. "
        "At each comma above the music the hand goes soft for a moment.",
        "music": [
            {"svg": svg, "alt": f"Music from bar {numbers[first]}, with fingers"}
            for first, svg in _lines(read)
        ],
        "way": _way(read, numbers),
    }


def _lines(read: ReadPiece) -> list[tuple[int, str]]:
    """(first bar, SVG) of a few bars each, so that no line is cut by a page."""
    piece, marks = read.piece, marks_of(read.passage)
    found = []
    for first in range(piece.first, piece.last + 1, BARS_TOGETHER):
        last = min(first + BARS_TOGETHER - 1, piece.last)
        drawn = drawn_part(bytes(piece.score), read.score.part, marks, first, last)
        found.append((first, flat_svg(engrave(drawn, width=WIDTH))))
    return found


def _way(read: ReadPiece, numbers: list[str]) -> str:
    way = read.passage.lead_in
    if way is None:
        return ""
    stages = ", then ".join(f"{numbers[first]} to {numbers[last]}" for first, last in way.stages)
    return (
        f"Begin with bars {stages}. Start at {way.start} quarters a minute and go up by 7 % "
        f"whenever it was loose, to {way.goal}."
    )
