"""The notes of a drill, and what music asks, as they leave the API."""

from api.drills.schemas import DrillNoteOut, LoadedBarOut, ReturnOut, StopLookOut
from lefthand.catalogue.catalogue import load_catalogue
from lefthand.music.blanks import Blanks, left_to_player, with_blanks
from lefthand.music.drill_json import drill_json
from lefthand.music.score import Drill
from lefthand.music.stop_signs import SIGNS, look_words
from lefthand.passage.passage import Passage

MOST_WORDS = 3
LITTLE = 0.05  # of the heaviest bar: no reason is told below


def notes_out(drill: Drill | None) -> list[DrillNoteOut]:
    """Notes to be heard; [] where there is no music."""
    if drill is None:
        return []
    gaps = left_to_player(with_blanks(drill, Blanks.NOTES))
    return [
        DrillNoteOut(
            midi=note["midi"],
            finger=note["finger"],
            string=note["string"],
            onset=note["onset"],
            seconds=note["seconds"],
            stop=note["stop"],
            gap=gap,
        )
        for note, gap in zip(drill_json(drill)["notes"], gaps, strict=True)
    ]


def looks_out(drill: Drill | None) -> list[StopLookOut]:
    """In the order in which they are looked at; [] for music without stops."""
    return [
        StopLookOut(words=look_words(look), sign=SIGNS[look])
        for look in (drill.looks if drill else ())
    ]


def loaded_bars(passage: Passage) -> list[LoadedBarOut]:
    """How heavy each bar is for the hand, the heaviest 1."""
    causes = load_catalogue().causes
    totals = passage.loads.totals()
    most = max((totals[bar] for bar in passage.shown), default=0.0) or 1.0
    found = []
    for bar in passage.shown:
        why = [
            ReturnOut(
                cause=causes[cause].name,
                words=[r.words for r in passage.loads.reasons(cause, [bar], MOST_WORDS)],
            )
            for cause, loads in sorted(
                passage.loads.bars.items(),
                key=lambda each: -passage.loads.strengths[each[0]] * each[1][bar],
            )
            if loads[bar] > LITTLE * max(loads)
        ]
        share = round(totals[bar] / most, 3)
        found.append(LoadedBarOut(number=passage.piece.bars[bar].number, share=share, why=why))
    return found
