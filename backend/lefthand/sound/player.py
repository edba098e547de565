"""A simulated player: plays a drill with known faults, so that everything can be tried without a
microphone and every measure checked against what was truly played.

How notes join and wander (glides of 10 to 25 ms, a cent or so of wander) is from memory of
recordings, with no published source; the faults are exactly as asked.
"""

from collections.abc import Mapping
from dataclasses import dataclass, field
from enum import StrEnum
from itertools import pairwise

import numpy as np

from lefthand.sound.bowed import body_of, bowed, in_room, pink_noise
from lefthand.sound.recording import Samples
from lefthand.sound.score import CENTS, Score, ScoreNote
from lefthand.values.errors import InputError

USUAL_RATE = 32_000
LEAD_SECONDS = 0.6
TAIL_SECONDS = 0.7
WANDER_CENTS = 1.0
WANDER_SECONDS = 0.3
GLIDE_SECONDS = (0.010, 0.025)
ATTACK_SECONDS = (0.025, 0.06)
TIRED_CENTS = -22.0
TIRED_UNEVEN = 9.0
TIRED_ROUGH = 0.15
NEIGHBOUR_LEVEL = 0.7
CLICK_HZ = 1000.0
LOUDNESS = 0.25


class Room(StrEnum):
    DRY = "dry"
    USUAL = "usual"
    MUCH = "much"

    @property
    def reverberation(self) -> float:
        """s until a sound is 60 dB down."""
        return {Room.DRY: 0.0, Room.USUAL: 0.35, Room.MUCH: 0.6}[self]


@dataclass(frozen=True, slots=True)
class Vibrato:
    """rate in Hz, width in cents from lowest to highest."""

    rate: float = 5.5
    width: float = 30.0


@dataclass(frozen=True, slots=True)
class Playing:
    """How the drill is played.

    tempo: as a share of the drill's. off: cents by finger. uneven: CV of spacings in %, of all
    notes; uneven_pairs adds to it for a pair of neighbouring notes by fingers. vibrato: by finger.
    breaks: (from, to) in shares of the take where the tone breaks. tired_from: the share from which
    pitch, evenness and tone get worse, None for never. rings: share of each note in which the open
    string that is bowed beside it sounds, if the drill has one. skipped, repeated: places of notes.
    room, noise (dB below the music), click: a metronome leaks, noodling: s before and after.
    tuned: cents by string. late: s by finger that it comes to its place after its bow begins,
    before it where negative, in this share of its notes; slurred ones have no bow of their own.
    """

    tempo: float = 1.0
    off: Mapping[int, float] = field(default_factory=dict)
    uneven: float = 0.6
    uneven_pairs: Mapping[tuple[int, int], float] = field(default_factory=dict)
    vibrato: Mapping[int, Vibrato] = field(default_factory=dict)
    breaks: tuple[tuple[float, float], ...] = ()
    tired_from: float | None = None
    rings: float = 1.0
    skipped: frozenset[int] = frozenset()
    repeated: frozenset[int] = frozenset()
    tuned: Mapping[int, float] = field(default_factory=dict)
    late: Mapping[int, float] = field(default_factory=dict)
    late_share: float = 1.0
    octave: int = 0
    room: Room = Room.USUAL
    noise: float = 30.0
    click: bool = False
    noodling: float = 0.0


@dataclass(frozen=True, slots=True)
class Played:
    """One sounding note as it truly was. place: in the drill. onset: s; for a slurred note the
    middle of the glide to it. cents: mean of its steady part against the drill."""

    place: int
    onset: float
    seconds: float
    cents: float


@dataclass(frozen=True, slots=True)
class SimulatedTake:
    samples: Samples
    rate: int
    notes: tuple[Played, ...]


def play(score: Score, how: Playing, seed: int, rate: int = USUAL_RATE) -> SimulatedTake:
    """Raises InputError for a tempo of no use."""
    if not 0.2 <= how.tempo <= 5:
        raise InputError("tempo", f"expected a share of 0.2 to 5, got {how.tempo!r}")
    draw = np.random.default_rng([seed, 77])
    lead = LEAD_SECONDS + how.noodling
    line = _line(score, how)
    onsets = lead + _onsets(line, score, how, draw)
    ends = _ends(line, score, how, onsets)
    count = int(rate * (ends[-1] + TAIL_SECONDS + how.noodling))
    body = body_of(score.instrument, draw)
    curve = _Curve(score, how, _Timed(line, onsets, ends, count), rate, draw)
    sound = bowed(curve.hz, curve.strength, curve.rough, rate, body, draw)
    if any(note.beside for note in score.notes):
        sound += _ringing(score, how, curve, rate, draw)
    if how.noodling:
        sound += _noodles(score, how, count, rate, draw)
    if how.click:
        sound += _clicks(score, how, lead, count, rate)
    sound = in_room(sound, rate, how.room.reverberation, draw)
    power = np.sqrt(np.mean(sound[int(onsets[0] * rate) : int(ends[-1] * rate)] ** 2))
    sound = sound / power + pink_noise(count, rate, draw) * 10 ** (-how.noise / 20)
    sound *= LOUDNESS * min(1.0, 3.0 / np.abs(sound).max())
    return SimulatedTake(sound, rate, curve.played())


Line = list[tuple[int, ScoreNote]]


def _line(score: Score, how: Playing) -> Line:
    line: Line = []
    for place, note in enumerate(score.notes):
        if place in how.skipped:
            continue
        line.extend([(place, note)] * (2 if place in how.repeated else 1))
    if not line:
        raise InputError("skipped", "expected at least one note that is played")
    return line


def _onsets(line: Line, score: Score, how: Playing, draw: np.random.Generator) -> Samples:
    """s from the first note. Spacings are stretched by chance, each on its own."""
    spacings = []
    for place, note in line[:-1]:
        following = score.notes[place + 1 : place + 2]
        nominal = (following[0].onset - note.onset) if following else note.seconds
        spacings.append(nominal / how.tempo)
    total = max(1e-9, sum(spacings))
    onsets = [0.0]
    for (one, other), spacing in zip(pairwise(line), spacings, strict=True):
        uneven = how.uneven + how.uneven_pairs.get(_pair(one[1].finger, other[1].finger), 0.0)
        if how.tired_from is not None and onsets[-1] > how.tired_from * total:
            uneven += TIRED_UNEVEN
        onsets.append(onsets[-1] + spacing * max(0.2, 1 + uneven / 100 * draw.standard_normal()))
    return np.array(onsets)


def _ends(line: Line, score: Score, how: Playing, onsets: Samples) -> Samples:
    """A note lasts to the next one, or to the rest after it."""
    ends = [float(onset) for onset in onsets[1:]]
    for number, ((place, note), end) in enumerate(zip(line, ends, strict=False)):
        following = score.notes[place + 1 : place + 2]
        if following:
            share = min(1.0, note.seconds / (following[0].onset - note.onset))
            ends[number] = float(onsets[number]) + share * (end - float(onsets[number]))
    return np.array([*ends, float(onsets[-1]) + line[-1][1].seconds / how.tempo])


def _pair(one: int, other: int) -> tuple[int, int]:
    return min(one, other), max(one, other)


@dataclass(frozen=True, slots=True)
class _Timed:
    """The notes that are played with their starts and ends, s; count: of samples."""

    line: Line
    onsets: Samples
    ends: Samples
    count: int


class _Curve:
    """Pitch, strength and roughness of every sample."""

    def __init__(
        self,
        score: Score,
        how: Playing,
        timed: "_Timed",
        rate: int,
        draw: np.random.Generator,
    ) -> None:
        self.score, self.how, self.rate = score, how, rate
        self.line, self.onsets, self.ends = timed.line, timed.onsets, timed.ends
        self.time = np.arange(timed.count) / rate
        self.tired = self._tiredness()
        self.cents = self._cents(draw)
        self.hz = score.hz(0) * 2 ** (self.cents / CENTS)
        self.strength = self._strength(draw)
        self.rough = self._rough()

    def _tiredness(self) -> Samples:
        """0 fresh .. 1 tired, one value a sample."""
        if self.how.tired_from is None:
            return np.zeros_like(self.time)
        first, last = self.onsets[0], self.ends[-1]
        begins = first + self.how.tired_from * (last - first)
        return np.asarray(np.clip((self.time - begins) / (0.3 * (last - first)), 0, 1))

    def target(self, note: ScoreNote) -> float:
        """Cents above MIDI note 0."""
        off = self.how.off.get(note.finger, 0.0) + self.how.tuned.get(note.string, 0.0)
        return 100.0 * (note.midi + 12 * self.how.octave) + off

    def _cents(self, draw: np.random.Generator) -> Samples:
        targets = [self.target(note) for _, note in self.line]
        risen, gliding = np.zeros(len(self.time)), np.zeros(len(self.time))
        for number in range(1, len(targets)):
            half = draw.uniform(*GLIDE_SECONDS) / 2
            late = self._late(number)
            if not self._is_slurred_into(number) and not late:
                half = 0.001
            rise, onset = targets[number] - targets[number - 1], self.onsets[number] + late
            during = self._between(onset - half, onset + half)
            ramp = np.clip((self.time[during] - onset + half) / (2 * half), 0, 1)
            gliding[during] += rise * ramp**2 * (3 - 2 * ramp)
            if during.stop < len(risen):
                risen[during.stop] += rise
        cents = targets[0] + np.cumsum(risen) + gliding
        cents += self._wander(draw) + TIRED_CENTS * self.tired
        for (_, note), onset, end in zip(self.line, self.onsets, self.ends, strict=True):
            vibrato = self.how.vibrato.get(note.finger)
            if vibrato is not None:
                during = self._between(onset, end)
                cents[during] += self._vibrato(vibrato, self.time[during], onset, end)
        return np.asarray(cents)

    def _late(self, number: int) -> float:
        """s that the finger of a note with its own bow is late. Spread over its notes by place, so
        that other chances stay as they are drawn."""
        late = self.how.late.get(self.line[number][1].finger, 0.0)
        if not late or self._is_slurred_into(number):
            return 0.0
        before = [n for _, n in self.line[:number] if n.finger == self.line[number][1].finger]
        share = self.how.late_share
        is_late = int((len(before) + 1) * share) > int(len(before) * share)
        return late if is_late else 0.0

    def _between(self, begins: float, ends: float) -> slice:
        """The samples from one time to another, s."""
        return slice(*np.searchsorted(self.time, (begins, ends)).tolist())

    def _vibrato(self, vibrato: Vibrato, time: Samples, onset: float, end: float) -> Samples:
        inside = np.clip(np.minimum(time - onset, end - time) / 0.06, 0, 1)
        wave = np.sin(2 * np.pi * vibrato.rate * (time - onset))
        return np.asarray(inside * vibrato.width / 2 * wave)

    def _wander(self, draw: np.random.Generator) -> Samples:
        knots = np.arange(0, self.time[-1] + WANDER_SECONDS, WANDER_SECONDS)
        drift = np.interp(self.time, knots, draw.standard_normal(len(knots)))
        return np.asarray(WANDER_CENTS * drift)

    def _is_slurred_into(self, number: int) -> bool:
        place, note = self.line[number - 1]
        is_same = place == self.line[number][0]
        return self.score.slurred and note.bound and not is_same

    def _strength(self, draw: np.random.Generator) -> Samples:
        """One bow after another: each begins and ends softly."""
        strength = np.zeros_like(self.time)
        first = 0
        for number in range(1, len(self.line) + 1):
            if number < len(self.line) and self._is_slurred_into(number):
                continue
            onset, end = self.onsets[first], self.ends[number - 1]
            attack = min(draw.uniform(*ATTACK_SECONDS), 0.4 * (end - onset))
            during = self._between(onset, end + 0.015)
            inside = np.clip((self.time[during] - onset) / attack, 0, 1)
            inside *= np.clip((end - self.time[during]) / 0.03 + 0.5, 0, 1)
            bowed = inside * draw.uniform(0.85, 1.0)
            strength[during] = np.maximum(strength[during], bowed)
            first = number
        return np.asarray(strength * (1 + 0.06 * self._wander(draw)))

    def _rough(self) -> Samples:
        rough = TIRED_ROUGH * self.tired
        first, last = self.onsets[0], self.ends[-1]
        for begins, ends in self.how.breaks:
            at = (self.time - first) / (last - first)
            rough[(at >= begins) & (at < ends)] = 0.95
        return np.clip(rough, 0, 1)

    def played(self) -> tuple[Played, ...]:
        found = []
        for (place, note), onset, end in zip(self.line, self.onsets, self.ends, strict=True):
            length = end - onset
            steady = slice(
                int((onset + max(0.025, 0.25 * length)) * self.rate),
                int((end - max(0.015, 0.1 * length)) * self.rate),
            )
            own = self.cents[steady]
            cents = float(np.mean(own)) - 100.0 * note.midi if len(own) else 0.0
            found.append(Played(place, float(onset), float(length), cents))
        return tuple(found)


def _ringing(
    score: Score, how: Playing, curve: _Curve, rate: int, draw: np.random.Generator
) -> Samples:
    """The open string beside each stopped one, for its share of the note."""
    sound = np.zeros(len(curve.time))
    body = body_of(score.instrument, draw)
    for (_, note), onset, end in zip(curve.line, curve.onsets, curve.ends, strict=True):
        first, last = int(onset * rate), int((onset + how.rings * (end - onset)) * rate)
        if note.beside is None or last - first < rate // 100:
            continue
        hz = np.full(last - first, score.hz(note.beside))
        swell = np.minimum(np.arange(last - first), np.arange(last - first)[::-1]) / (0.03 * rate)
        rough = np.zeros(last - first)
        one = bowed(hz, np.clip(swell, 0, 1), rough, rate, body, draw)
        sound[first:last] += NEIGHBOUR_LEVEL * one
    return sound


def _noodles(
    score: Score, how: Playing, count: int, rate: int, draw: np.random.Generator
) -> Samples:
    """Short notes of the drill in any order before and after it."""
    sound = np.zeros(count)
    body = body_of(score.instrument, draw)
    midi = [note.midi for note in score.notes]
    for begins in (0.1, count / rate - how.noodling - 0.05):
        at = begins
        while at < begins + how.noodling - 0.3:
            length = int(draw.uniform(0.1, 0.3) * rate)
            hz = np.full(length, score.hz(float(draw.choice(midi)) + draw.normal(0, 0.3)))
            fade = np.clip(np.minimum(np.arange(length), np.arange(length)[::-1]) / 600, 0, 1)
            first = int(at * rate)
            one = bowed(hz, fade, np.zeros(length), rate, body, draw)
            sound[first : first + length] += 0.7 * one[: count - first]
            at += length / rate + draw.uniform(0.02, 0.15)
    return sound


def _clicks(score: Score, how: Playing, lead: float, count: int, rate: int) -> Samples:
    sound = np.zeros(count)
    beat = max(0.25, 2 * score.notes[0].seconds) / how.tempo
    length = int(0.03 * rate)
    after = np.arange(length) / rate
    click = 0.5 * np.sin(2 * np.pi * CLICK_HZ * after) * np.exp(-after / 0.006)
    for at in np.arange(lead % beat, count / rate - 0.05, beat):
        first = int(at * rate)
        sound[first : first + length] += click
    return sound
