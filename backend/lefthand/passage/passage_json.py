"""A piece read for one player as `jolf-passage/1`. The schema is
`lefthand/schemas/jolf-passage-1.json`."""

from typing import Any

from lefthand.catalogue.catalogue import load_catalogue
from lefthand.music.drill_json import drill_json
from lefthand.passage.passage import Passage
from lefthand.passage.places import position_of
from lefthand.passage.release import Release
from lefthand.passage.returns import Reason, Worst
from lefthand.passage.way_drills import joined

PASSAGE_FORMAT = "jolf-passage/1"


def passage_json(passage: Passage) -> dict[str, Any]:
    """Onsets in quarters from the start of the piece, strings from 1, the highest."""
    part = passage.piece.part
    return {
        "format": PASSAGE_FORMAT,
        "title": passage.piece.title,
        "instrument": passage.asked.instrument.value,
        "part": part.id,
        "level": passage.asked.level.value,
        "remarks": list(passage.remarks),
        "notes": _notes(passage),
        "bars": [_bar(passage, place) for place in passage.shown],
        "worst": [_worst(passage, worst) for worst in passage.worst],
        "release": [_release(passage, each) for each in passage.releases],
        "lead_in": _lead_in(passage),
    }


def _number(passage: Passage, bar: int) -> str:
    return passage.piece.bars[bar].number


def _notes(passage: Passage) -> list[dict[str, Any]]:
    instrument = passage.asked.instrument
    found = []
    for note, hand in zip(passage.line, passage.fingering.hands, strict=True):
        pitches = sorted({tone.pitch.midi for tone in (*note.tones, *note.held)})
        places = [] if hand is None else list(hand.places)
        # The tones of a thinned chord that no finger stops are the lowest.
        fingered = dict(zip(pitches[len(pitches) - len(places) :], places, strict=True))
        for tone in note.tones:
            place = fingered.get(tone.pitch.midi)
            position = None if hand is None else position_of(instrument, hand.base)
            found.append(
                {
                    "bar": _number(passage, note.bar),
                    "onset": round(float(note.onset), 4),
                    "seconds": round(note.seconds, 4),
                    "grace": note.is_grace,
                    "pitch": str(tone.pitch),
                    "midi": tone.pitch.midi,
                    "string": None if place is None else 4 - place.string,
                    "finger": None if place is None else place.finger,
                    "position": None if place is None or not place.on_string else position,
                    "printed": bool(tone.fingers),
                }
            )
    return found


def _bar(passage: Passage, place: int) -> dict[str, Any]:
    loads = passage.loads
    return {
        "bar": _number(passage, place),
        "loads": {
            cause: {
                "load": round(bars[place], 3),
                "why": [_reason(reason) for reason in loads.reasons(cause, [place])],
            }
            for cause, bars in loads.bars.items()
        },
    }


def _reason(reason: Reason) -> dict[str, Any]:
    return {
        "kind": reason.kind,
        "points": round(reason.points, 3),
        "times": reason.times,
        "words": reason.words,
    }


def _worst(passage: Passage, worst: Worst) -> dict[str, Any]:
    name = load_catalogue().causes[worst.cause].name
    told = "; ".join(reason.words for reason in worst.reasons)
    return {
        "bars": [_number(passage, bar) for bar in worst.bars],
        "cause": worst.cause,
        "load": round(worst.load, 3),
        "why": f"{name}: {told}." if told else f"{name}.",
    }


def _release(passage: Passage, release: Release) -> dict[str, Any]:
    note = passage.line[release.place]
    bar = passage.piece.bars[release.bar]
    beat = float(note.onset - bar.onset) * bar.unit / 4 + 1
    return {
        "bar": bar.number,
        "beat": round(beat, 3),
        "kind": release.kind,
        "quality": release.quality,
        "words": release.words,
    }


def _lead_in(passage: Passage) -> dict[str, Any] | None:
    way = passage.lead_in
    if way is None:
        return None
    drill = joined(passage.drills_to(way.bars))
    return {
        "start": way.start,
        "goal": way.goal,
        "steps": list(way.steps),
        "bars": [_number(passage, bar) for bar in way.bars],
        "stages": [[_number(passage, bar) for bar in stage] for stage in way.stages],
        "drill": None if drill is None else drill_json(drill),
    }
