"""Groups: the sweep of a few checks over all their players, and partner cards."""

from datetime import date

from django.http import HttpRequest
from ninja import Router

from api.days import today
from api.groups.present import brief_out, check_choice_out, roster_row_out, sweep_out
from api.groups.schemas import (
    CheckChoiceOut,
    ChecksIn,
    GroupIn,
    GroupOut,
    RestIn,
    RosterIn,
    RosterRowOut,
    SweepGradeIn,
    SweepOut,
)
from studio.groups.groups import (
    choose_checks,
    day_seen,
    grade,
    grade_the_rest,
    group_of,
    groups_of,
    save_group,
    sweep,
)
from studio.groups.roster import bring_in_class, read_roster
from studio.models import Group

router = Router(tags=["groups"])


def _sweep_out(group: Group, on: date) -> SweepOut:
    return sweep_out(sweep(group, on), on)


@router.get("", response=list[GroupOut])
def read_groups(request: HttpRequest) -> list[GroupOut]:
    """The groups of a teacher."""
    return [brief_out(group) for group in groups_of(request.user)]


@router.post("", response=GroupOut)
def make_group(request: HttpRequest, data: GroupIn) -> GroupOut:
    """A new group."""
    return brief_out(save_group(request.user, None, data.name, data.players))


@router.post("/roster/look", response=list[RosterRowOut])
def look_at_roster(request: HttpRequest, data: RosterIn) -> list[RosterRowOut]:
    """What each line of a pasted class list would do; nothing is kept."""
    rows = read_roster(request.user, data.text, today(request))
    return [roster_row_out(row) for row in rows]


@router.post("/roster", response=GroupOut)
def bring_in(request: HttpRequest, data: RosterIn) -> GroupOut:
    """The players of the list as a new group; nothing is kept when one line cannot be used."""
    return brief_out(bring_in_class(request.user, data.name, data.text, today(request)))


@router.get("/{int:group_id}", response=SweepOut)
def read_sweep(request: HttpRequest, group_id: int) -> SweepOut:
    """The group with what was seen today and before."""
    return _sweep_out(group_of(request.user, group_id), today(request))


@router.post("/{int:group_id}", response=GroupOut)
def change_group(request: HttpRequest, group_id: int, data: GroupIn) -> GroupOut:
    """Another name, other players."""
    group = group_of(request.user, group_id)
    return brief_out(save_group(request.user, group, data.name, data.players))


@router.delete("/{int:group_id}", response={204: None})
def remove_group(request: HttpRequest, group_id: int) -> tuple[int, None]:
    """The group goes; its players and all their lessons stay."""
    group_of(request.user, group_id).delete()
    return 204, None


@router.get("/{int:group_id}/checks", response=CheckChoiceOut)
def read_checks(request: HttpRequest, group_id: int) -> CheckChoiceOut:
    """What can be swept, and what would tell most about this group."""
    return check_choice_out(group_of(request.user, group_id), today(request))


@router.post("/{int:group_id}/checks", response=SweepOut)
def choose(request: HttpRequest, group_id: int, data: ChecksIn) -> SweepOut:
    """Choose one to three checks."""
    group = choose_checks(group_of(request.user, group_id), data.checks)
    return _sweep_out(group, today(request))


@router.post("/{int:group_id}/grades", response=SweepOut)
def grade_one(request: HttpRequest, group_id: int, data: SweepGradeIn) -> SweepOut:
    """One player's grade of one check, into the lesson of that day."""
    group, on = group_of(request.user, group_id), today(request)
    seen_on = day_seen(data.seen_on, on)
    grade(
        group,
        data.player,
        data.check,
        data.grade,
        fingers=data.fingers,
        key=data.client_key,
        on=seen_on,
    )
    return _sweep_out(group, on)


@router.post("/{int:group_id}/rest", response=SweepOut)
def grade_rest(request: HttpRequest, group_id: int, data: RestIn) -> SweepOut:
    """All others: not there."""
    group, on = group_of(request.user, group_id), today(request)
    grade_the_rest(group, data.check, key=data.client_key, on=day_seen(data.seen_on, on))
    return _sweep_out(group, on)
