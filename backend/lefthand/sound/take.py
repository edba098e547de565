"""A take of a known drill: numbers with their uncertainty, or the reason why it tells nothing."""

from collections.abc import Mapping, Sequence
from dataclasses import dataclass, field
from enum import StrEnum
from itertools import pairwise

import numpy as np

from lefthand.sound import vibrato
from lefthand.sound.alignment import CLEAR, Alignment, align, weights
from lefthand.sound.curve import Curve, curve_of
from lefthand.sound.neighbour import Ringing, ringing
from lefthand.sound.notes import (
    Evenness,
    FingerPitch,
    HeardNote,
    by_finger,
    evenness,
    heard_notes,
)
from lefthand.sound.onsets import note_starts
from lefthand.sound.pitch import HOP, PitchTrack, track_beside, track_pitch
from lefthand.sound.recording import Recording
from lefthand.sound.room import TOO_MUCH, reverberation, room_word
from lefthand.sound.score import Score
from lefthand.sound.slips import Slip, slips_of
from lefthand.sound.tiring import strain, tightens_from
from lefthand.sound.together import FingerTiming, bow_starts, timing_by_finger
from lefthand.sound.tone import Break, breaks
from lefthand.sound.vibrato import FoundVibrato
from lefthand.values.said import said
from lefthand.words import words_of

QUIET_DB = -62.0
CLIPPED_SHARE = 0.002
CLIPPED_FROM = 0.985
LEAST_VOICED = 0.7
LEAST_CLEAR = 0.1  # of the drill's length: with less there is nothing to lay notes on
MOST_LOST = 2
DEAREST_PATH = 1.1
OCTAVE_SURE = 0.9
OCTAVE_SHARE = 0.25
FEWEST_FOR_OCTAVE = 0.5


class Refusal(StrEnum):
    """Why a take tells nothing."""

    QUIET = "too_quiet"
    CLIPPED = "clipped"
    UNVOICED = "under_70_percent_voiced"
    LOST = "more_than_two_notes_lost"
    OTHER = "another_drill"
    ROOM = "too_much_room"


REFUSALS: Mapping[Refusal, str] = {
    Refusal.QUIET: "take-too-quiet",
    Refusal.CLIPPED: "take-clipped",
    Refusal.UNVOICED: "take-unvoiced",
    Refusal.LOST: "take-lost",
    Refusal.OTHER: "take-other",
    Refusal.ROOM: "take-room",
}


def refusal_words(reason: Refusal | None) -> str:
    """Why a take tells nothing, "" where it does."""
    words: str = "" if reason is None else words_of(said(REFUSALS[reason]))
    return words


@dataclass(frozen=True, slots=True)
class Take:
    """What a take tells. seconds: of the recording. room: dry, usual or much. lost: places of notes
    that were not heard; slips: those, and notes played twice. breaks in s. tightens_from: share of
    the passage before it tightens, None where it is too short to tell. strain: of each note, see
    `tiring`. timing: by finger, where notes have bows of their own. With a reason everything
    measured is empty."""

    score: Score
    seconds: float
    reason: Refusal | None
    room: str = "usual"
    notes: Sequence[HeardNote] = ()
    lost: Sequence[int] = ()
    slips: Sequence[Slip] = ()
    evenness: Evenness | None = None
    fingers: Mapping[int, FingerPitch] = field(default_factory=dict)
    vibrato: Mapping[int, FoundVibrato] = field(default_factory=dict)
    breaks: Sequence[Break] = ()
    ringing: Sequence[Ringing] = ()
    tightens_from: float | None = None
    strain: Sequence[float] = ()
    curve: Curve | None = None
    timing: Mapping[int, FingerTiming] = field(default_factory=dict)

    @property
    def tempo(self) -> float:
        """As a share of the drill's own, by the median spacing; 1 for fewer than two notes."""
        ratios = [
            (self.score.notes[b.place].onset - self.score.notes[a.place].onset) / (b.at - a.at)
            for a, b in pairwise(self.notes)
            if b.at > a.at
        ]
        return float(np.median(ratios)) if ratios else 1.0

    @property
    def notes_a_second(self) -> float:
        """As it was played, by the median spacing."""
        gaps = np.diff([note.at for note in self.notes])
        return float(1 / np.median(gaps)) if len(gaps) else self.score.notes_a_second


def measure_take(recording: Recording, score: Score) -> Take:
    """Never raises for a bad take: it comes back with its reason."""
    early = _refused_at_once(recording)
    if early is not None:
        return Take(score, recording.seconds, early)
    track = _tracked(recording, score)
    if np.count_nonzero(weights(track) > CLEAR) * HOP < LEAST_CLEAR * score.seconds:
        return Take(score, recording.seconds, Refusal.UNVOICED)
    found = align(score, track)
    reason = _refused(track, found)
    if reason is not None:
        return Take(score, recording.seconds, reason)
    starts = note_starts(recording, track, score, found.spans)
    notes = heard_notes(score, track, found.spans, starts)
    last = notes[-1]
    lost = [place for place, span in enumerate(found.spans) if span is None]
    slips = slips_of(score, notes, lost)
    echo = reverberation(recording, last.at + last.seconds)
    if echo is not None and echo > TOO_MUCH:
        return Take(score, recording.seconds, Refusal.ROOM, room_word(echo))
    return Take(
        score=score,
        seconds=recording.seconds,
        reason=None,
        room=room_word(echo),
        notes=notes,
        lost=lost,
        slips=slips,
        evenness=evenness(score, notes, {slip.place for slip in slips}),
        fingers=by_finger(score, notes),
        vibrato=vibrato.by_finger(score, track, notes),
        breaks=[] if any(note.beside for note in score.notes) else breaks(score, track, notes),
        ringing=ringing(recording, score, notes),
        tightens_from=tightens_from(score, track, notes),
        strain=[float(each) for each in strain(score, track, notes)],
        curve=curve_of(score, track, notes),
        timing=timing_by_finger(score, bow_starts(recording, track, score, found.spans)),
    )


def _tracked(recording: Recording, score: Score) -> PitchTrack:
    opened = sorted({score.hz(note.beside) for note in score.notes if note.beside is not None})
    if opened:
        return track_beside(recording, score.lowest_hz, score.highest_hz, opened)
    return track_pitch(recording, score.lowest_hz, score.highest_hz)


def _refused_at_once(recording: Recording) -> Refusal | None:
    samples = np.abs(recording.samples)
    loud = float(np.sqrt(np.mean(recording.samples**2)))
    if 20 * np.log10(loud + 1e-12) < QUIET_DB:
        return Refusal.QUIET
    if recording.peak >= CLIPPED_FROM:
        at_top = samples > CLIPPED_FROM * samples.max()
        if at_top.mean() > CLIPPED_SHARE:
            return Refusal.CLIPPED
    return None


def _refused(track: PitchTrack, found: Alignment) -> Refusal | None:
    weight = weights(track)
    inside = np.zeros(len(track), dtype=bool)
    for span in found.spans:
        if span is not None:
            inside[span.first : span.end] = True
    lost = sum(span is None for span in found.spans)
    if not inside.any() or np.mean(weight[inside] > CLEAR) < LEAST_VOICED:
        return Refusal.UNVOICED
    if lost > MOST_LOST:
        is_other = lost > len(found.spans) / 3 or found.cost > DEAREST_PATH / 2
        return Refusal.OTHER if is_other else Refusal.LOST
    octave = (track.octave_up > OCTAVE_SURE * track.sure) & (track.sure > FEWEST_FOR_OCTAVE)
    if found.cost > DEAREST_PATH or np.mean(octave[inside]) > OCTAVE_SHARE:
        return Refusal.OTHER
    return None
