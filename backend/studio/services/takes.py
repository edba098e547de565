"""Recordings of a drill in a lesson: what to play, what they told, what can be taken over."""

import json
import math
from collections.abc import Mapping
from dataclasses import dataclass
from statistics import fmean

import numpy as np

from lefthand.case.findings import parse_finding
from lefthand.catalogue.catalogue import load_catalogue
from lefthand.catalogue.takes import ToPlay
from lefthand.music.compose import free_recipe, make_drill
from lefthand.music.drill_json import drill_json
from lefthand.music.request import DrillRequest
from lefthand.music.score import Drill
from lefthand.sound.findings import Beside, findings_of_two
from lefthand.sound.player import Playing, Vibrato, play
from lefthand.sound.recording import Recording, read_recording, recording_of
from lefthand.sound.score import Score, parse_score
from lefthand.sound.take import measure_take
from lefthand.sound.take_json import take_json
from lefthand.sound.words import told, told_of_two
from lefthand.values.errors import InputError
from lefthand.values.measures import MEASURES
from lefthand.values.vocabulary import Grade, Instrument, Level
from studio.errors import StudioError
from studio.models import Lesson, Take
from studio.services.findings import findings_of, grading_of

SLOW, FAST = "slow", "fast"
LARGEST_FILE = 16_000_000  # bytes: a minute of 48 kHz in two channels, with room
MOST_TAKES = 40  # of one lesson
# Told only where the player was asked to do it.
ASKED_ONLY = frozenset({"vibrato.narrow", "neighbour.muted", "press.excess"})
SEED = 1  # one drill for one check, so that takes can be laid beside each other


@dataclass(frozen=True)
class FoundByEar:
    """One finding that a take proposes. finger: None for the whole hand. spread: of two takes of
    this lesson."""

    evidence: str
    finger: int | None
    grade: int
    value: float
    spread: float | None

    @property
    def key(self) -> str:
        return self.evidence if self.finger is None else f"{self.evidence}/{self.finger}"


def to_play(lesson: Lesson, evidence: str) -> ToPlay:
    """Raises StudioError for a check that cannot be heard on this instrument."""
    catalogue = load_catalogue()
    known = catalogue.takes.get(evidence)
    if known is None or lesson.player.instrument not in catalogue.evidence[evidence].instruments:
        raise StudioError("bad_input", "evidence", "cannot be heard")
    return known


def parts_of(asked: ToPlay) -> list[str]:
    return [SLOW] if asked.faster is None else [SLOW, FAST]


def drill_to_play(lesson: Lesson, asked: ToPlay, part: str) -> Drill:
    """Raises StudioError for a part that this check does not have."""
    if part not in parts_of(asked):
        raise StudioError("bad_input", "part", f"expected {' or '.join(parts_of(asked))}")
    instrument = Instrument(lesson.player.instrument)
    request = DrillRequest(
        instrument=instrument,
        tempo=asked.tempo_for(Level(lesson.player.level), is_fast=part == FAST),
        bars=asked.bars,
        slurred=asked.slurred,
        seed=SEED,
    )
    recipe = free_recipe(asked.drill, instrument, load_catalogue())
    return make_drill(recipe, request, (("for", asked.evidence), ("seed", SEED)))


def takes_of(lesson: Lesson, evidence: str) -> list[Take]:
    return list(lesson.takes.filter(evidence=evidence))


def earlier_takes(lesson: Lesson, evidence: str) -> list[Take]:
    """The last take of each part of every lesson before that told something, oldest first."""
    before = Take.objects.filter(
        lesson__player=lesson.player_id, lesson__date__lt=lesson.date, evidence=evidence
    ).select_related("lesson")
    last: dict[tuple[int, str], Take] = {}
    for take in before.order_by("lesson__date", "pk"):
        if take.result["usable"]:
            last[take.lesson_id, take.part] = take
    return list(last.values())


def take_of(lesson: Lesson, take_id: int) -> Take:
    """Raises StudioError."""
    found = lesson.takes.filter(pk=take_id).first()
    if found is None:
        raise StudioError("not_found", "take")
    return found


def measure(lesson: Lesson, evidence: str, part: str, data: bytes) -> Take:
    """Measure a sound file and keep what it told. Raises StudioError naming the field."""
    asked = to_play(lesson, evidence)
    drill = drill_to_play(lesson, asked, part)
    try:
        recording = read_recording(data)
    except InputError as error:
        raise StudioError("bad_input", "file", error.problem) from error
    return _kept(lesson, asked, part, drill, recording, is_simulated=False)


def simulate(lesson: Lesson, evidence: str, part: str) -> Take:
    """The same with a made-up player in the place of a microphone, who plays as this lesson or the
    last one found the hand."""
    asked = to_play(lesson, evidence)
    drill = drill_to_play(lesson, asked, part)
    count = lesson.takes.count()
    score = parse_score(drill_json(drill))
    made = play(score, made_up_playing(lesson, asked, score, part), seed=1000 * lesson.pk + count)
    recording = recording_of(made.samples, made.rate)
    return _kept(lesson, asked, part, drill, recording, is_simulated=True)


def _kept(
    lesson: Lesson,
    asked: ToPlay,
    part: str,
    drill: Drill,
    recording: Recording,
    *,
    is_simulated: bool,
) -> Take:
    if lesson.takes.count() >= MOST_TAKES:
        raise StudioError("conflict", "take", f"there are {MOST_TAKES} takes: remove some")
    printed = drill_json(drill)
    found = measure_take(recording, parse_score(printed))
    return Take.objects.create(
        lesson=lesson,
        evidence=asked.evidence,
        part=part,
        is_simulated=is_simulated,
        score=json.loads(json.dumps(printed)),
        result=take_json(found),
        words=told(found, asked.evidence),
    )


def beside(take: Take) -> Beside | None:
    """What of a kept take is laid beside another one; None of one that tells nothing."""
    result = take.result
    if not result["usable"] or len(result["notes"]) < 2:
        return None
    onsets = [note["onset"] for note in result["notes"]]
    evenness = result["evenness"]
    return Beside(
        speed=float(1 / np.median(np.diff(onsets))),
        cv=None if evenness is None else evenness["cv"],
        cents={int(finger): each["cents"] for finger, each in result["fingers"].items()},
    )


def sentence_of(takes: list[Take]) -> str:
    """What the last take told; with a slow and a fast one, what both tell together."""
    both = _last_two(takes)
    if both is not None:
        return told_of_two(*both)
    return takes[-1].words if takes else ""


def _last_two(takes: list[Take]) -> tuple[Beside, Beside] | None:
    last = {take.part: beside(take) for take in takes}
    slow, fast = last.get(SLOW), last.get(FAST)
    return None if slow is None or fast is None else (slow, fast)


def found_by_ear(lesson: Lesson, evidence: str) -> list[FoundByEar]:
    """What the takes for this check propose, each value the mean of the takes of this lesson."""
    takes = [take for take in takes_of(lesson, evidence) if take.result["usable"]]
    both = _last_two(takes)
    rows = [findings_of_two(*both)] if both else [take.result["observations"] for take in takes]
    heard: dict[tuple[str, int | None], list[float]] = {}
    for row in rows:
        for name, entered in row.items():
            if name != evidence and name in ASKED_ONLY:
                continue
            by_finger = {None: entered} if "value" in entered else entered
            for finger, each in by_finger.items():
                key = name, None if finger is None else int(finger)
                heard.setdefault(key, []).append(each["value"])
    found = [_found(lesson, *key, values) for key, values in heard.items()]
    return sorted((each for each in found if each), key=lambda each: each.evidence != evidence)


def _found(
    lesson: Lesson, evidence: str, finger: int | None, values: list[float]
) -> FoundByEar | None:
    check = load_catalogue().evidence.get(evidence)
    if check is None or check.measure is None:
        return None
    if lesson.player.instrument not in check.instruments:
        return None
    limits = MEASURES[check.measure]
    value = round(min(max(fmean(values), limits.low), limits.high), 2)
    entered = {"value": value} if finger is None else {str(finger): {"value": value}}
    grade = parse_finding(entered, check, grading_of(lesson)).grade
    spread = abs(values[-1] - values[-2]) / math.sqrt(2) if len(values) > 1 else None
    return FoundByEar(evidence, finger, grade, value, None if spread is None else round(spread, 3))


# ------------------------------------------------------------------ a made-up player

FLAT = (0.0, -14.0, -26.0, -40.0)  # cents, by grade
UNEVEN = (0.8, 4.0, 8.0, 13.0)  # % when fast
SINKS = (0.0, -8.0, -18.0, -30.0)  # cents when fast
SWINGS = (30.0, 18.0, 11.0, 0.0)  # cents wide
TIRES = (None, 0.85, 0.6, 0.3)
RINGS = (1.0, 0.65, 0.35, 0.0)
SLACK = (0.85, 0.7, 0.5, 0.3)


def made_up_playing(lesson: Lesson, asked: ToPlay, score: Score, part: str) -> Playing:
    """As the hand was found; what nobody looked at is a slight trouble or none, by lesson."""
    grades = _grades(lesson)
    draw = np.random.default_rng(lesson.pk)

    def grade(evidence: str) -> int:
        known = grades.get(evidence)
        return int(draw.integers(Grade.NONE, Grade.CLEAR)) if known is None else known

    is_fast, swings = part == FAST, asked.evidence == "vibrato.narrow"
    light = asked.evidence == "press.excess"
    flat, sinks = FLAT[grade("fourth.low")], SINKS[grade("frame.shrinks")]
    return Playing(
        off={4: flat + is_fast * sinks, 3: is_fast * sinks},
        uneven=UNEVEN[grade("uneven.fast")] if is_fast else 0.8,
        vibrato={
            finger: Vibrato(5.3, SWINGS[grade("vibrato.narrow") if finger == 4 else 0])
            for finger in (1, 2, 3, 4)
        }
        if swings
        else {},
        breaks=_lightened(score, SLACK[grade("press.excess")]) if light else (),
        tired_from=TIRES[grade("fades.early")],
        rings=RINGS[grade("neighbour.muted")],
    )


def _lightened(score: Score, slack: float) -> tuple[tuple[float, float], ...]:
    """Each long note breaks where so much of its weight is left."""
    return tuple(
        ((note.onset + (1 - slack) * note.seconds) / whole, (note.onset + note.seconds) / whole)
        for note in score.notes
        for whole in (score.seconds,)
    )


def _grades(lesson: Lesson) -> Mapping[str, int]:
    before = lesson.player.lessons.filter(date__lt=lesson.date).order_by("-date").first()
    found = {} if before is None else dict(findings_of(before))
    found |= findings_of(lesson)
    return {name: finding.grade for name, finding in found.items()}
