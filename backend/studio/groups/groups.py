"""Players taught together: the group, its sweep over a few checks, and partners.

A swept grade is an entry of the player's own lesson of that day: there is no second record.
"""

from collections.abc import Sequence
from dataclasses import dataclass
from datetime import date, timedelta
from typing import Any

from django.db import transaction
from django.db.models import OuterRef, Q, QuerySet, Subquery

from lefthand.case.case import Finding
from lefthand.case.findings import check_evidence_id, is_by_finger
from lefthand.catalogue.catalogue import load_catalogue
from lefthand.catalogue.evidence import Evidence
from lefthand.practice.sweep import (
    MAX_CHECKS,
    CloserLook,
    Pair,
    Partner,
    Swept,
    closer_looks,
    glance_checks,
    most_telling,
    pair_up,
)
from lefthand.reason.network import network_for, posterior
from lefthand.values.errors import InputError
from lefthand.values.fields import read_words
from lefthand.values.vocabulary import Instrument
from studio.entries import record, record_not_there
from studio.errors import StudioError
from studio.home.week_at_home import DAYS_AHEAD, week_in_force
from studio.lessons.access import Teacher, glance_lesson, players_of
from studio.lessons.flags import pain_in_week
from studio.memory.findings import findings_of
from studio.models import Group, HomeDay, Lesson, Player, RedFlag

MAX_NAME = 80
DAYS_BACK = 60


@dataclass(frozen=True)
class SweepRow:
    """One player of the group. `before`: findings of the newest earlier lesson with any. `flags`:
    stops that are up. `pain`: the newest log of the week in which something hurt."""

    player: Player
    lesson: Lesson | None
    now: dict[str, Finding]
    before: dict[str, Finding]
    flags: list[RedFlag]
    pain: HomeDay | None

    @property
    def instrument(self) -> Instrument:
        return Instrument(self.player.instrument)


@dataclass(frozen=True)
class Sweep:
    group: Group
    checks: list[Evidence]
    rows: list[SweepRow]
    closer: list[CloserLook]
    pairs: list[Pair]
    resting: list[Player]


def groups_of(teacher: Teacher) -> QuerySet[Group]:
    return Group.objects.filter(teacher_id=teacher.pk).prefetch_related("players")


def group_of(teacher: Teacher, group_id: int) -> Group:
    group = groups_of(teacher).filter(pk=group_id).first()
    if group is None:
        raise StudioError("not_found", "group")
    return group


@transaction.atomic
def save_group(
    teacher: Teacher, group: Group | None, name: str, player_ids: Sequence[int]
) -> Group:
    """Make a group or change its name and players. A player is in one group at most."""
    name = " ".join(name.split())
    if not name or len(name) > MAX_NAME:
        raise StudioError("bad_input", "name", f"expected 1 to {MAX_NAME} characters")
    players = players_of(teacher).filter(pk__in=player_ids)
    if len(players) != len(set(player_ids)):
        raise StudioError("not_found", "players")
    group = group or Group()
    group.teacher_id = teacher.pk  # type: ignore[assignment]
    group.name = name
    group.save()
    group.players.exclude(pk__in=player_ids).update(group=None)
    players.update(group=group)
    return group


def choose_checks(group: Group, checks: Sequence[str]) -> Group:
    """The one to three checks of the sweep. Raises StudioError naming what cannot be swept."""
    names = read_words("checks", list(checks))
    if not 1 <= len(set(names)) == len(names) <= MAX_CHECKS:
        raise StudioError("bad_input", "checks", f"expected 1 to {MAX_CHECKS} different checks")
    possible = {e.id for e in possible_checks(group)}
    for name in names:
        if name not in possible:
            raise StudioError("bad_input", "checks", f"{name!r} cannot be seen in passing")
    group.checks = names
    group.save(update_fields=["checks"])
    return group


def weeks_of(group: Group, on: date) -> list[tuple[Player, Lesson | None]]:
    """All players by name, each with the lesson whose week is practised on a day; None for none."""
    players = group.players.select_related("teacher__studio_settings").order_by("name", "pk")
    return [(player, week_in_force(player, on)) for player in players]


def possible_checks(group: Group) -> list[Evidence]:
    instruments = {Instrument(player.instrument) for player in group.players.all()}
    return glance_checks(load_catalogue(), instruments)


def proposed_checks(group: Group, on: date) -> list[Evidence]:
    """The checks that would tell most about this group, from what was found in the last lessons."""
    catalogue = load_catalogue()
    known = []
    for row in _rows(group, on):
        grades = {
            name: finding.grade
            for name, finding in row.before.items()
            if row.instrument in catalogue.evidence[name].instruments
        }
        known.append((row.instrument, posterior(network_for(catalogue, row.instrument), grades)))
    return most_telling(known, catalogue)


def grade(
    group: Group,
    player_id: int,
    check: str,
    grade: int | None,
    *,
    fingers: Sequence[int] | None = None,
    key: str,
    on: date,
) -> None:
    """One player's grade of one check of the sweep, into the player's lesson of the day. `fingers`:
    those that it was seen on, [] for none that is known; None leaves what was told before."""
    player = group.players.filter(pk=player_id).first()
    if player is None:
        raise StudioError("not_found", "player")
    if check not in {e.id for e in possible_checks(group)}:
        raise StudioError("bad_input", "check", f"{check!r} cannot be seen in passing")
    try:
        check_evidence_id("check", check, load_catalogue(), Instrument(player.instrument))
    except InputError as error:
        raise StudioError("bad_input", error.field, error.problem) from error
    lesson = glance_lesson(player, on)
    entered = _merged(lesson, check, grade, fingers)
    record(lesson.pk, client_key=key, kind="observation", key=check, value=entered)


def worst_fingers(finding: Finding) -> list[int]:
    """The fingers that have the finding's grade, where it is there at all."""
    by_finger = finding.by_finger if finding.grade > 0 else {}
    return sorted(finger for finger, grade in by_finger.items() if grade == finding.grade)


def _merged(lesson: Lesson, check: str, grade: int | None, fingers: Sequence[int] | None) -> Any:
    """The grade with the fingers that were named before kept: none is worse than the new grade, and
    those that were worst have it. Named fingers have it and the others of that grade lose it."""
    stored = lesson.observations.filter(evidence=check).first()
    if grade and fingers and load_catalogue().evidence[check].per_finger:
        known = findings_of(lesson)[check].by_finger if stored else {}
        less = [str(finger) for finger, each in known.items() if each < grade]
        kept = {finger: stored.entered[finger] for finger in less} if stored else {}
        return {**kept, **{str(finger): grade for finger in fingers}}
    if grade is None or stored is None or fingers == [] or not is_by_finger(stored.entered):
        return grade
    before = findings_of(lesson)[check]
    if before.grade == grade:
        return stored.entered
    return {
        str(finger): grade if each == before.grade else min(each, grade)
        for finger, each in before.by_finger.items()
    }


@transaction.atomic
def grade_the_rest(group: Group, check: str, *, key: str, on: date) -> None:
    """All who have no grade of this check yet: not there. As many queries for a large class as for
    a small one."""
    evidence = load_catalogue().evidence.get(check)
    if evidence is None:
        return
    left = [
        row.player
        for row in _rows(group, on)
        if row.instrument in evidence.instruments and check not in row.now
    ]
    record_not_there(left, check, {player.pk: f"{key[:50]}-{player.pk}" for player in left}, on)


def day_seen(seen: date | None, today: date) -> date:
    """The day on which a swept grade was seen: as told, or today. Raises StudioError."""
    if seen is None:
        return today
    if not today - timedelta(days=DAYS_BACK) <= seen <= today + timedelta(days=DAYS_AHEAD):
        raise StudioError("bad_input", "seen_on", f"expected a day of the last {DAYS_BACK} days")
    return seen


def sweep(group: Group, on: date) -> Sweep:
    rows = _rows(group, on)
    evidence = load_catalogue().evidence
    swept = [
        Swept(row.player.pk, _grades(row.now, group.checks), _grades(row.before, group.checks))
        for row in rows
    ]
    partners = [
        Partner(row.player.pk, row.instrument.is_held_up, sum(each.now.values()))
        for row, each in zip(rows, swept, strict=True)
        if not row.flags
    ]
    return Sweep(
        group=group,
        checks=[evidence[name] for name in group.checks if name in evidence],
        rows=rows,
        closer=closer_looks(swept),
        pairs=pair_up(partners),
        resting=[row.player for row in rows if row.flags],
    )


def _grades(findings: dict[str, Finding], checks: Sequence[str]) -> dict[str, int]:
    return {name: findings[name].grade for name in checks if name in findings}


def _rows(group: Group, on: date) -> list[SweepRow]:
    earlier = Lesson.objects.filter(player=OuterRef("pk"), date__lt=on, observations__isnull=False)
    players = list(
        group.players.order_by("name")
        .annotate(looked=Subquery(earlier.order_by("-date").values("pk")[:1]))
        .prefetch_related("red_flags")
    )
    ids = [player.pk for player in players]
    wanted = Q(pk__in=[player.looked for player in players]) | Q(player__in=ids, date=on)
    lessons = Lesson.objects.filter(wanted).select_related("player__teacher__studio_settings")
    found = list(lessons.prefetch_related("observations"))
    now = {lesson.player_id: lesson for lesson in found if lesson.date == on}
    before = {lesson.player_id: lesson for lesson in found if lesson.date < on}
    pain = pain_in_week(ids, on)
    return [
        SweepRow(
            player=player,
            lesson=now.get(player.pk),
            now=findings_of(now[player.pk]) if player.pk in now else {},
            before=findings_of(before[player.pk]) if player.pk in before else {},
            flags=[flag for flag in player.red_flags.all() if flag.lifted_on is None],
            pain=pain.get(player.pk),
        )
        for player in players
    ]
