"""Groups, sweeps and partner cards as they leave the API."""

from datetime import date

from api.brief.present import pain_out, player_brief, stop_out
from api.groups.schemas import (
    CheckChoiceOut,
    CloserOut,
    GroupOut,
    PairOut,
    RosterRowOut,
    SweepOut,
    SweepRowOut,
)
from studio.groups.groups import Sweep, SweepRow, possible_checks, proposed_checks, worst_fingers
from studio.groups.roster import RosterRow
from studio.models import Group, Player


def brief_out(group: Group) -> GroupOut:
    """A group in a list."""
    players = list(group.players.all())
    return GroupOut(
        id=group.pk,
        name=group.name,
        players=[player.pk for player in players],
        names=[first_name(player) for player in players],
    )


def first_name(player: Player) -> str:
    """What stands on cards."""
    return player.name.split()[0]


def check_choice_out(group: Group, on: date) -> CheckChoiceOut:
    """Checks to choose from."""
    return CheckChoiceOut(
        possible=[e.id for e in possible_checks(group)],
        proposed=[e.id for e in proposed_checks(group, on)],
    )


def sweep_out(found: Sweep, on: date) -> SweepOut:
    """A sweep as it leaves the API."""
    return SweepOut(
        id=found.group.pk,
        name=found.group.name,
        checks=[e.id for e in found.checks],
        rows=[_row_out(row, found, on) for row in found.rows],
        closer=[
            CloserOut(player=c.player, check=c.worst, grade=c.grade, is_more=c.is_more)
            for c in found.closer
        ],
        pairs=_pairs_out(found),
        resting=[first_name(player) for player in found.resting],
    )


def _pairs_out(found: Sweep) -> list[PairOut]:
    rows = {row.player.pk: row for row in found.rows}
    return [
        PairOut(
            watcher=first_name(rows[pair.watcher].player),
            watched=first_name(rows[pair.watched].player),
            instrument=rows[pair.watched].player.instrument,
            checks=_own_checks(rows[pair.watched], found),
        )
        for pair in found.pairs
    ]


def _own_checks(row: SweepRow, found: Sweep) -> list[str]:
    return [e.id for e in found.checks if row.instrument in e.instruments]


def _row_out(row: SweepRow, found: Sweep, on: date) -> SweepRowOut:
    names = [e.id for e in found.checks]
    return SweepRowOut(
        player=player_brief(row.player, on),
        lesson=row.lesson.pk if row.lesson else None,
        has=_own_checks(row, found),
        now={name: row.now[name].grade for name in names if name in row.now},
        fingers={name: worst_fingers(row.now[name]) for name in names if name in row.now},
        before={name: row.before[name].grade for name in names if name in row.before},
        flag=stop_out(row.flags),
        pain=pain_out(row.pain),
    )


def roster_row_out(row: RosterRow) -> RosterRowOut:
    """What one line of a pasted list would do."""
    return RosterRowOut(
        line=row.line,
        name=row.name,
        instrument=row.known.instrument if row.known else row.instrument,
        birth_year=row.birth_year,
        level=row.level,
        lesson=row.lesson,
        is_known=row.known is not None,
        problems=dict(row.problems),
    )
