"""A take of a piece, what it told beside what was expected, as it leaves the API."""

from collections.abc import Sequence
from datetime import date
from typing import Any

from api.pieces.schemas import HeardBarOut, HeardOut, ToHearOut
from lefthand.passage.passage import Passage
from lefthand.passage.returns import Worst
from lefthand.words import told
from studio.errors import StudioError
from studio.pieces.heard import to_hear
from studio.pieces.pieces import ReadPiece

LEAST_FOR_ALL = 2.0  # deviations that fill the picture


def to_hear_out(told: ReadPiece, *, simulated: bool) -> tuple[ToHearOut | None, str]:
    """What is played, or why nothing can be."""
    if told.is_paused or not told.passage.line:
        return None, ""
    try:
        asked = to_hear(told)
    except StudioError as error:
        return None, f"{error.problem[0].upper()}{error.problem[1:]}."
    bars = told.passage.piece.bars
    first, last = asked.bars[0], asked.bars[-1]
    found = ToHearOut(
        bars=[bars[first].number, bars[last].number],
        quarters=float(sum(bars[bar].length for bar in asked.bars)),
        tempi=sorted(set(asked.tempi)),
        simulated=simulated,
    )
    return found, ""


def heard_out(told: ReadPiece) -> HeardOut | None:
    """What takes of a piece tell, bar by bar."""
    kept: dict[str, Any] | None = told.piece.heard
    if kept is None:
        return None
    passage = told.passage
    totals = passage.loads.totals()
    # Bars that are not looked at now have no load to stand beside.
    here = [(bar, worse) for bar, worse in kept["bars"] if bar in passage.shown]
    most = max((totals[bar] for bar, _ in here), default=0.0) or 1.0
    top = max([LEAST_FOR_ALL, *(worse for _, worse in kept["bars"] if worse is not None)])
    numbers = passage.piece.bars
    return HeardOut(
        on=date.fromisoformat(kept["on"]),
        tempo=kept["tempo"],
        simulated=kept["is_simulated"],
        usable=kept["usable"],
        words=_words(kept, passage) if kept["usable"] else kept["words"],
        bars=[
            HeardBarOut(
                number=numbers[bar].number,
                expected=round(totals[bar] / most, 3),
                heard=None if worse is None else round(worse / top, 3),
            )
            for bar, worse in here
        ],
    )


def _words(kept: dict[str, Any], passage: Passage) -> str:
    numbers = passage.piece.bars
    tightens, hardest = kept["tightens"], kept["hardest"]
    found = []
    if tightens is not None:
        found.append(told("heard-tightens", bar=numbers[tightens].number))
    elif kept["is_long"]:
        found.append(told("heard-tightens-not"))
    else:
        found.append(told("heard-tightens-unclear"))
    if hardest is None:
        found.append(told("heard-none-stands-out"))
    else:
        found.append(told("heard-hardest", bar=numbers[hardest].number))
        found.append(_beside(hardest, passage.worst) if hardest in passage.shown else "")
    return " ".join(filter(None, found))


def _beside(hardest: int, worst: Sequence[Worst]) -> str:
    near = any(hardest in range(each.bars[0] - 1, each.bars[-1] + 2) for each in worst)
    return told("heard-expected" if near else "heard-elsewhere")
