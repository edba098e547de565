"""Recordings of a drill in a lesson: what to play, what they told, what can be taken over."""

import json
import math
from collections.abc import Mapping
from dataclasses import asdict, dataclass, replace
from datetime import date
from statistics import fmean
from typing import Any

import numpy as np
from django.db import transaction

from lefthand.case.findings import parse_finding
from lefthand.catalogue.catalogue import load_catalogue
from lefthand.catalogue.takes import ToPlay
from lefthand.composing.compose import free_recipe, make_drill
from lefthand.music.drill_json import drill_json
from lefthand.music.request import DrillRequest
from lefthand.music.score import Drill
from lefthand.sound.findings import Beside, findings_of_two
from lefthand.sound.notes import beyond_ear
from lefthand.sound.player import Playing, play
from lefthand.sound.recording import Recording, read_recording, recording_of
from lefthand.sound.score import parse_score
from lefthand.sound.take import measure_take
from lefthand.sound.take_json import take_json
from lefthand.sound.words import told, told_of_two
from lefthand.values.errors import InputError
from lefthand.values.measures import MEASURES
from lefthand.values.vocabulary import Instrument, Level
from studio.errors import StudioError
from studio.lessons.flags import open_flags
from studio.memory.findings import grading_of
from studio.models import Lesson, Take
from studio.takes.made_up import made_up_playing

SLOW, FAST = "slow", "fast"
LARGEST_FILE = 16_000_000  # bytes: a minute of 48 kHz in two channels, with room
MOST_TAKES = 40  # of one lesson
MOST_EARLIER = 6
# Told only where the player was asked to do it.
ASKED_ONLY = frozenset({"vibrato.narrow", "neighbour.muted", "press.excess", "finger.late"})
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
    drill = make_drill(recipe, request, (("for", asked.evidence), ("seed", SEED)))
    # What is said to the player is said by the check, not by the drill.
    return replace(drill, hint="")


def takes_of(lesson: Lesson, evidence: str) -> list[Take]:
    """Those of the lesson itself, without their curves."""
    takes = lesson.takes.filter(evidence=evidence, home_on=None)
    return list(takes.select_related("sound").defer("curve", "sound__flac"))


def earlier_takes(lesson: Lesson, evidence: str) -> list[Take]:
    """The last take of each part of lessons before that told something, and of each day at home,
    oldest first, without what it heard: the first lesson and the newest ones."""
    before = Take.objects.filter(
        lesson__player=lesson.player_id,
        lesson__date__lt=lesson.date,
        evidence=evidence,
        result__usable=True,
    )
    light = before.defer("score", "result", "curve", "sound__flac")
    rows = light.select_related("lesson", "sound").order_by("pk")
    last = {(take.lesson_id, take.part, take.home_on): take for take in rows}
    found = sorted(last.values(), key=lambda take: (day_of(take), take.pk))
    return found if len(found) <= MOST_EARLIER else [found[0], *found[1 - MOST_EARLIER :]]


def day_of(take: Take) -> date:
    """When it was played."""
    return take.home_on or take.lesson.date


def take_of(lesson: Lesson, take_id: int) -> Take:
    """Raises StudioError."""
    found = lesson.takes.filter(pk=take_id, home_on=None).first()
    if found is None:
        raise StudioError("not_found", "take")
    return found


def measure(
    lesson: Lesson, evidence: str, part: str, data: bytes, *, is_changed: bool = False
) -> Take:
    """Measure a sound file and keep what it told. `is_changed`: something was changed since the
    take before. Raises StudioError naming the field."""
    asked = to_play(lesson, evidence)
    drill = drill_to_play(lesson, asked, part)
    _may_play(lesson)
    take = take_heard(asked, part, drill, recording_in(data))
    take.is_changed = is_changed
    return keep_take(lesson, take)


@dataclass(frozen=True)
class Performance:
    """What a made-up player plays: plain values, so that it can be played in another process."""

    asked: ToPlay
    part: str
    drill: Drill
    how: Playing
    seed: int


def performance_of(lesson: Lesson, evidence: str, part: str, earlier: int) -> Performance:
    """As this lesson or the last one found the hand. `earlier`: takes that the lesson has."""
    asked = to_play(lesson, evidence)
    drill = drill_to_play(lesson, asked, part)
    how = made_up_playing(lesson, evidence, parse_score(drill_json(drill)), is_fast=part == FAST)
    return Performance(asked, part, drill, how, seed=1000 * lesson.pk + earlier)


def performed(it: Performance) -> Take:
    """What its sound tells, of no lesson yet."""
    made = play(parse_score(drill_json(it.drill)), it.how, seed=it.seed)
    take = take_heard(it.asked, it.part, it.drill, recording_of(made.samples, made.rate))
    take.is_simulated = True
    return take


def simulate(lesson: Lesson, evidence: str, part: str, *, is_changed: bool = False) -> Take:
    """The same with a made-up player in the place of a microphone; for practice players alone, so
    that it never stands in the record of a person. Raises StudioError."""
    if not lesson.player.is_practice:
        raise StudioError("not_allowed")
    it = performance_of(lesson, evidence, part, lesson.takes.count())
    _may_play(lesson)
    take = performed(it)
    take.is_changed = is_changed
    return keep_take(lesson, take)


def recording_in(data: bytes) -> Recording:
    """Raises StudioError on `file`."""
    try:
        return read_recording(data)
    except InputError as error:
        raise StudioError("bad_input", "file", error.problem) from error


def is_paused(lesson: Lesson) -> bool:
    """True while a stop is up: nobody is asked to play then."""
    return bool(open_flags(lesson.player))


def _may_play(lesson: Lesson) -> None:
    if is_paused(lesson):
        raise StudioError("paused")


def take_heard(asked: ToPlay, part: str, drill: Drill, recording: Recording) -> Take:
    """What the recording tells, of no lesson yet."""
    printed = drill_json(drill)
    found = measure_take(recording, parse_score(printed))
    return Take(
        evidence=asked.evidence,
        part=part,
        score=json.loads(json.dumps(printed)),
        result=take_json(found),
        curve=None if found.curve is None else asdict(found.curve),
        words=told(found, asked.evidence),
    )


def keep_take(lesson: Lesson, take: Take) -> Take:
    """Raises StudioError where there are many already, or the lesson is gone."""
    if lesson.takes.filter(home_on=take.home_on).count() >= MOST_TAKES:
        raise StudioError("conflict", "take", f"there are {MOST_TAKES} takes: remove some")
    with transaction.atomic():
        # Measuring takes a while: the lesson may have been removed meanwhile.
        if not Lesson.objects.select_for_update().filter(pk=lesson.pk).exists():
            raise StudioError("not_found", "lesson")
        take.lesson = lesson
        take.save()
    return take


def beside(take: Take) -> Beside | None:
    """What of a kept take is laid beside another one; None of one that tells nothing."""
    result = take.result
    if not result["usable"] or len(result["notes"]) < 2:
        return None
    onsets = [note["onset"] for note in result["notes"]]
    cv, error = _evenness(result["evenness"])
    return Beside(
        speed=float(1 / np.median(np.diff(onsets))),
        cv=cv,
        cents={int(finger): each["cents"] for finger, each in result["fingers"].items()},
        cv_error=error,
        cents_errors={
            int(finger): each["uncertainty"] for finger, each in result["fingers"].items()
        },
    )


def _evenness(told: Mapping[str, Any] | None) -> tuple[float | None, float]:
    if told is None:
        return None, 0.0
    return beyond_ear(told["cv"], told["uncertainty"], told["least"])


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
    """What the takes for this check propose: each value the mean of the takes since something was
    last changed, which are of one condition."""
    takes = _of_one_condition([t for t in takes_of(lesson, evidence) if t.result["usable"]])
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


def _of_one_condition(takes: list[Take]) -> list[Take]:
    """The last takes, from the newest change on."""
    changes = [number for number, take in enumerate(takes) if take.is_changed]
    return takes[changes[-1] :] if changes else takes


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
