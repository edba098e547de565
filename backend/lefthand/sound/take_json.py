"""A take as `jolf-take/1`. The schema is `lefthand/schemas/jolf-take-1.json`."""

from typing import Any

from lefthand.sound.findings import findings_of
from lefthand.sound.notes import Evenness, HeardNote
from lefthand.sound.take import Take, refusal_words

TAKE_FORMAT = "jolf-take/1"
RINGS_FROM, SILENT_BELOW = 0.8, 0.2


def take_json(take: Take) -> dict[str, Any]:
    """Times in s from the start of the file, pitches in cents against the drill, spreads in %."""
    return {
        "format": TAKE_FORMAT,
        "usable": take.reason is None,
        "reason": None if take.reason is None else take.reason.value,
        "words": refusal_words(take.reason),
        "seconds": round(take.seconds, 2),
        "room": take.room,
        "notes": [_note(note) for note in take.notes],
        "lost": list(take.lost),
        "slips": [{"kind": slip.kind.value, "i": slip.place} for slip in take.slips],
        "evenness": None if take.evenness is None else _evenness(take.evenness),
        "fingers": {
            str(finger): {
                "cents": round(pitch.cents, 1),
                "uncertainty": round(pitch.uncertainty, 1),
                "notes": pitch.notes,
            }
            for finger, pitch in take.fingers.items()
        },
        "vibrato": {
            str(finger): {
                "rate": round(each.rate, 2),
                "width": round(each.width, 1),
                "centre": round(each.centre, 1),
                "notes": each.notes,
            }
            for finger, each in take.vibrato.items()
        },
        "breaks": [{"from": round(b.begins, 2), "to": round(b.ends, 2)} for b in take.breaks],
        "neighbour": _neighbour(take),
        "bow": {
            str(finger): {
                "ms": round(each.ms, 1),
                "uncertainty": round(each.uncertainty, 1),
                "late": round(each.share, 2),
                "starts": each.starts,
            }
            for finger, each in take.timing.items()
        },
        "tightens_from": None if take.tightens_from is None else round(take.tightens_from, 2),
        "observations": findings_of(take),
    }


def _note(note: HeardNote) -> dict[str, Any]:
    known = note.cents == note.cents
    return {
        "i": note.place,
        "onset": round(note.at, 4),
        "seconds": round(note.seconds, 4),
        "cents": round(note.cents, 1) if known else None,
        "uncertainty": round(note.uncertainty, 1) if known else None,
        "voiced": round(note.voiced, 2),
        "doubts": list(note.doubts),
    }


def _evenness(found: Evenness) -> dict[str, Any]:
    return {
        "cv": round(found.cv, 1),
        "uncertainty": round(found.uncertainty, 1),
        "robust_cv": round(found.robust_cv, 1),
        "least": round(found.least, 1),
        "outliers": list(found.outliers),
        "pairs": {f"{a}-{b}": round(cv, 1) for (a, b), cv in found.pairs.items()},
    }


def _neighbour(take: Take) -> dict[str, Any]:
    """yes, no or unsure over all notes that are bowed with an open string."""
    shares = [each.share for each in take.ringing if each.share is not None]
    if not shares:
        return {"state": "unsure", "share": None}
    share = sum(shares) / len(shares)
    unclear = "no" if share <= SILENT_BELOW else "unsure"
    return {"state": "yes" if share >= RINGS_FROM else unclear, "share": round(share, 2)}
