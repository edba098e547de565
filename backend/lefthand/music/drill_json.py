"""A drill as `jolf-drill/1`: everything that is printed, and when it is expected to sound.

The schema is `lefthand/schemas/jolf-drill-1.json`.
"""

from typing import Any

from lefthand.music.score import Drill, Event, Tone

DRILL_FORMAT = "jolf-drill/1"
A4_HZ = 440  # ISO 16:1975


def drill_json(drill: Drill) -> dict[str, Any]:
    """Notes with pitch, finger, string (1 is the highest), onset and length in s, and what is done
    with them; rests; what is looked at at each stop; key, time, articulation, and what the drill
    was asked for."""
    beat = 60 / drill.tempo
    notes, rests = [], []
    for onset, event in drill.events():
        at = {
            "onset": round(float(onset) * beat, 4),
            "seconds": round(float(event.length) * beat, 4),
        }
        if event.is_rest:
            rests.append(at)
        for tone in event.tones:
            notes.append({**_tone_json(tone), **at, **_done_with(event)})
    return {
        "format": DRILL_FORMAT,
        "drill": drill.name,
        "title": drill.title,
        "credit": drill.credit,
        "instrument": drill.instrument.value,
        "tempo": drill.tempo,
        "time": [drill.beats, 4],
        "bars": len(drill.bars),
        "key": {
            "fifths": drill.key.fifths,
            "tonic": drill.key.tonic,
            "mode": "minor" if drill.key.is_minor else "major",
        },
        "a4": A4_HZ,
        "articulation": "slurred" if drill.is_slurred else "separate",
        "request": dict(drill.asked),
        "notes": notes,
        "rests": rests,
        "looks": list(drill.looks),
    }


def no_drill_json(instrument: str, asked: dict[str, Any]) -> dict[str, Any]:
    """The same for a step that has no music: no notes."""
    return {
        "format": DRILL_FORMAT,
        "drill": "",
        "title": "",
        "credit": "",
        "instrument": instrument,
        "tempo": None,
        "time": [4, 4],
        "bars": 0,
        "key": None,
        "a4": A4_HZ,
        "articulation": "separate",
        "request": asked,
        "notes": [],
        "rests": [],
    }


def _tone_json(tone: Tone) -> dict[str, Any]:
    return {
        "pitch": str(tone.pitch),
        "midi": tone.pitch.midi,
        "finger": tone.finger,
        "string": 4 - tone.string,
    }


def _done_with(event: Event) -> dict[str, Any]:
    return {
        "slide": "slide" in event.marks,
        "slur": "slur" in event.marks,
        "stop": "stop" in event.marks,
        "short": "short" in event.marks,
        "tap": "tap" in event.marks,
        "pluck": event.plucks or None,
        "kept": list(event.kept),
    }
