"""Drills as Standard MIDI files (MIDI Association, Standard MIDI Files 1.0)."""

from io import BytesIO

import mido

from lefthand.music.score import Drill
from lefthand.values.vocabulary import Instrument

TICKS_PER_QUARTER = 480
LOUDNESS = 72
# Programs of General MIDI, counted from 0.
PROGRAMS = {
    Instrument.VIOLIN: 40,
    Instrument.VIOLA: 41,
    Instrument.CELLO: 42,
    Instrument.BASS: 43,
}


def to_midi(drill: Drill) -> bytes:
    """One track of format 0, at the drill's tempo, in concert pitch."""
    track = mido.MidiTrack()
    track.append(mido.MetaMessage("track_name", name=drill.title))
    track.append(mido.MetaMessage("set_tempo", tempo=mido.bpm2tempo(drill.tempo)))
    track.append(mido.MetaMessage("time_signature", numerator=drill.beats, denominator=4))
    track.append(mido.Message("program_change", program=PROGRAMS[drill.instrument]))
    now = 0
    for tick, _, message in sorted(_note_messages(drill), key=lambda each: each[:2]):
        track.append(message.copy(time=tick - now))
        now = tick
    end = int(sum(event.length for _, event in drill.events()) * TICKS_PER_QUARTER)
    track.append(mido.MetaMessage("end_of_track", time=end - now))
    file = mido.MidiFile(type=0, ticks_per_beat=TICKS_PER_QUARTER)
    file.tracks.append(track)
    out = BytesIO()
    file.save(file=out)
    return out.getvalue()


def _note_messages(drill: Drill) -> list[tuple[int, int, mido.Message]]:
    """(tick, 0 for off and 1 for on, message): at one tick the old note ends first."""
    found = []
    for onset, event in drill.events():
        start = int(onset * TICKS_PER_QUARTER)
        stop = int((onset + event.length) * TICKS_PER_QUARTER)
        for tone in event.tones:
            note = {"note": tone.pitch.midi, "velocity": LOUDNESS}
            found.append((start, 1, mido.Message("note_on", **note)))
            found.append((stop, 0, mido.Message("note_off", **note)))
    return found
