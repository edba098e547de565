"""Recordings as they leave the API."""

from typing import Any

from api.drills.present import notes_out
from api.takes.schemas import (
    BesideOut,
    ByEarOut,
    ByEarValue,
    EarlierOut,
    FingerBesideOut,
    HeardFingerOut,
    HeardNoteOut,
    HeardPairOut,
    MeasuredBesideOut,
    PartOut,
    TakeOut,
    TakesOut,
    TrialGradesOut,
    VibratoOut,
)
from lefthand.catalogue.catalogue import load_catalogue
from lefthand.music.engraving import engrave
from lefthand.music.musicxml import to_musicxml
from lefthand.sound.laid_beside import MeasuredBeside
from lefthand.sound.score import parse_score
from lefthand.values.measures import MEASURES
from studio.models import Lesson, Take
from studio.takes.beside import TwoTakes, pairs_of
from studio.takes.takes import (
    FoundByEar,
    day_of,
    drill_to_play,
    earlier_takes,
    found_by_ear,
    is_paused,
    parts_of,
    sentence_of,
    takes_of,
    to_play,
)

GIVE = 2  # standard errors
VIBRATO = "vibrato.narrow"


def takes_out(lesson: Lesson, evidence: str, *, simulated: bool) -> TakesOut:
    """Takes in the order of playing, with their sentence and what they propose."""
    asked = to_play(lesson, evidence)
    takes = takes_of(lesson, evidence)
    return TakesOut(
        evidence=evidence,
        play=asked.play,
        parts=[_part(lesson, evidence, part) for part in parts_of(asked)],
        sentence=sentence_of(takes),
        takes=[_take(take) for take in takes],
        earlier=[
            EarlierOut(
                id=take.pk,
                lesson=take.lesson_id,
                sound=sound_address(take),
                date=day_of(take),
                is_home=take.home_on is not None,
                part=take.part,
                words=take.words,
                is_simulated=take.is_simulated,
            )
            for take in earlier_takes(lesson, evidence)
        ],
        beside=[_beside(each) for each in pairs_of(lesson, takes)],
        found=[_found(each, evidence) for each in found_by_ear(lesson, evidence)],
        simulated=simulated,
        paused=is_paused(lesson),
    )


def _part(lesson: Lesson, evidence: str, part: str) -> PartOut:
    drill = drill_to_play(lesson, to_play(lesson, evidence), part)
    beats = sum(event.length for _, event in drill.events())
    return PartOut(
        part=part,
        tempo=drill.tempo,
        seconds=round(float(beats) * 60 / drill.tempo, 1),
        music=engrave(to_musicxml(drill)),
        notes=notes_out(drill),
    )


def _found(found: FoundByEar, asked: str) -> ByEarOut:
    check = load_catalogue().evidence[found.evidence]
    unit = MEASURES[check.measure].unit if check.measure else ""
    told = f"{round(100 * found.value)} %" if unit == "share" else f"{round(found.value)} {unit}"
    return ByEarOut(
        key=found.key,
        value=ByEarValue(value=found.value, spread=found.spread),
        label=check.label,
        finger=found.finger,
        grade=found.grade,
        told=told,
        is_asked=found.evidence == asked,
    )


def _beside(pair: TwoTakes) -> BesideOut:
    return BesideOut(
        after=pair.after.pk,
        grades=_trial_grades(pair),
        kind=pair.kind,
        before_on=pair.before.lesson.date,
        sentence=pair.sentence,
        fingers=[
            FingerBesideOut(
                finger=each.finger,
                before=each.cents[0],
                before_give=each.give[0],
                after=each.cents[1],
                after_give=each.give[1],
                is_moved=each.is_moved,
            )
            for each in pair.found.fingers
        ],
        spread=list(pair.found.spread) if pair.found.spread else None,
        is_spread_moved=pair.found.is_spread_moved,
        measured=[_measured(each) for each in pair.found.measured],
    )


def _trial_grades(pair: TwoTakes) -> TrialGradesOut | None:
    if pair.grades is None:
        return None
    before, after = pair.grades
    return TrialGradesOut(before=before, after=after)


def _measured(each: MeasuredBeside) -> MeasuredBesideOut:
    times, unit = (100, "%") if each.unit == "share" else (1, each.unit)
    before, after = (round(times * value) for value in each.values)
    return MeasuredBesideOut(
        finger=each.finger, before=before, after=after, unit=unit, is_moved=each.is_moved
    )


def sound_address(take: Take) -> str | None:
    """Where the kept sound is read; None where none was kept."""
    kept = getattr(take, "sound", None)
    if kept is None:
        return None
    return f"/api/lessons/{take.lesson_id}/takes/{take.evidence}/{take.pk}/sound/{kept.name}"


def _take(take: Take) -> TakeOut:
    result = take.result
    evenness = result["evenness"] or {}
    # Vibrato is told only where the player was asked for it.
    swings = result["vibrato"] if take.evidence == VIBRATO else {}
    return TakeOut(
        id=take.pk,
        part=take.part,
        is_simulated=take.is_simulated,
        usable=result["usable"],
        words=take.words,
        room=result["room"],
        seconds=result["seconds"],
        notes=_notes(take),
        lost=len(result["lost"]),
        spread=evenness.get("cv"),
        spread_give=GIVE * evenness["uncertainty"] if evenness else None,
        least=evenness.get("least"),
        fingers=[
            HeardFingerOut(
                finger=int(finger),
                cents=each["cents"],
                give=GIVE * each["uncertainty"],
                notes=each["notes"],
            )
            for finger, each in result["fingers"].items()
        ],
        pairs=[
            HeardPairOut(pair=pair, spread=spread)
            for pair, spread in evenness.get("pairs", {}).items()
        ],
        vibrato=[
            VibratoOut(finger=int(finger), rate=each["rate"], width=each["width"])
            for finger, each in swings.items()
        ],
        sound=sound_address(take),
    )


def _notes(take: Take) -> list[HeardNoteOut]:
    heard: list[dict[str, Any]] = take.result["notes"]
    if not heard:
        return []
    score = parse_score(take.score)
    asked = [score.notes[note["i"]] for note in heard]
    # The even line through all notes: by how much a start is off it is early or late.
    at = [note["onset"] for note in heard]
    slope, start = _line([note.onset for note in asked], at)
    return [
        HeardNoteOut(
            finger=played.finger,
            string=played.string,
            at=note["onset"],
            seconds=note["seconds"],
            early=round(1000 * (start + slope * played.onset - note["onset"]), 0),
            cents=note["cents"],
            give=None if note["uncertainty"] is None else GIVE * note["uncertainty"],
            is_doubtful=bool(note["doubts"]),
        )
        for note, played in zip(heard, asked, strict=True)
    ]


def _line(x: list[float], y: list[float]) -> tuple[float, float]:
    """Slope and start of the least-squares line."""
    count = len(x)
    mean_x, mean_y = sum(x) / count, sum(y) / count
    across = sum((a - mean_x) ** 2 for a in x)
    if across == 0:
        return 1.0, mean_y - mean_x
    slope = sum((a - mean_x) * (b - mean_y) for a, b in zip(x, y, strict=True)) / across
    return slope, mean_y - slope * mean_x
