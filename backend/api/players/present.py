"""The day's list and a player's page as they leave the API."""

from dataclasses import asdict
from datetime import date

from api.brief.present import flag_out, pain_out, player_brief, reminder_out, stop_out
from api.desk.present import ways_out
from api.players.schemas import (
    AwayOut,
    DayRowOut,
    LadderOut,
    LadderStep,
    PartnerSaw,
    PlayerIn,
    PlayerOut,
    TimelineLesson,
    TimelineRow,
    ToldAtHomeOut,
)
from lefthand.catalogue.catalogue import load_catalogue
from studio.groups.round import seen_by_partners
from studio.lessons.flags import home_pain, open_flags
from studio.lessons.notes import notes_of
from studio.memory.findings import way_of_teaching
from studio.memory.known import focus_of, known_items
from studio.models import KeptSound, LessonChange, PartnerLook, Player
from studio.players.players import PLAIN_FACTS
from studio.progress.term import term_page
from studio.progress.timeline import LESSONS_SHOWN, Ladder, build_timeline
from studio.today.day_list import DayRow


def day_row(row: DayRow, on: date) -> DayRowOut:
    """One line of the day as it leaves the API."""
    causes = load_catalogue().causes
    return DayRowOut(
        player=player_brief(row.player, on),
        time=f"{row.time:%H:%M}" if row.time else None,
        is_today=row.is_today,
        focus=[causes[c].name for c in row.focus],
        minutes=row.minutes,
        due=[causes[c].name for c in row.due],
        last_lesson=row.last_on,
        lesson_today=row.today.pk if row.today else None,
        flag=stop_out(row.flags),
        pain=pain_out(row.pain),
        weekday=row.player.weekday,
        away=away_out(row.away) if row.away else None,
        home=ToldAtHomeOut(**asdict(row.home)) if row.home else None,
    )


def away_out(change: LessonChange) -> AwayOut:
    """A lesson that falls out or is moved."""
    return AwayOut(to=change.to, at=f"{change.at:%H:%M}" if change.at else None)


def player_out(player: Player, on: date, *, whole: bool = False) -> PlayerOut:
    """`whole`: with all lessons, not only the newest."""
    timeline = build_timeline(player, on, None if whole else LESSONS_SHOWN)
    causes = load_catalogue().causes
    notes = notes_of(timeline.lessons)
    signs = term_page(player, on).signs
    answers = {sign.evidence: sign.answer for sign in signs if sign.finger is None}
    return PlayerOut(
        player=player_brief(player, on),
        kept_sounds=KeptSound.objects.filter(take__lesson__player=player).count(),
        facts=_facts(player),
        lessons=[
            TimelineLesson(
                id=lesson.pk,
                date=lesson.date,
                focus=[causes[cause].name for cause in focus_of(lesson)],
                exercises=[i.exercise for i in known_items(lesson.plan)]
                if hasattr(lesson, "plan")
                else [],
                notes=notes.get(lesson.pk, []),
            )
            for lesson in timeline.lessons
        ],
        rows=[
            TimelineRow(
                evidence=row.evidence.id,
                label=row.evidence.label,
                change=answers.get(row.evidence.id, ""),
                grades=[
                    row.seen[each.pk].grade if each.pk in row.seen else None
                    for each in timeline.lessons
                ],
                fingers=[
                    list(row.seen[each.pk].fingers) if each.pk in row.seen else []
                    for each in timeline.lessons
                ],
            )
            for row in timeline.rows
        ],
        ladders=[_ladder_out(ladder) for ladder in timeline.ladders],
        hidden=timeline.hidden,
        reminders=[reminder_out(each) for each in timeline.reminders],
        partner_looks=[_partner_saw(look) for look in seen_by_partners(player)],
        flags=[flag_out(f) for f in player.red_flags.all()],
        stop=stop_out(open_flags(player)),
        pain=pain_out(home_pain(player.pk, on)),
        lesson_today=next((each.pk for each in timeline.lessons if each.date == on), None),
        ways=ways_out(way_of_teaching(player), player.way_of_teaching, player.instrument),
    )


def _ladder_out(ladder: Ladder) -> LadderOut:
    return LadderOut(
        exercise=ladder.exercise.id,
        name=ladder.exercise.name,
        rungs=len(ladder.exercise.rungs),
        steps=[LadderStep(date=d, rung=r) for d, r in ladder.steps],
    )


def _facts(player: Player) -> PlayerIn:
    return PlayerIn(
        lesson_time=f"{player.lesson_time:%H:%M}" if player.lesson_time else None,
        **{name: getattr(player, name) for name in PLAIN_FACTS},
    )


def _partner_saw(look: PartnerLook) -> PartnerSaw:
    known = load_catalogue().evidence.get(look.check_id)
    return PartnerSaw(
        on=look.on,
        label=known.label if known else look.check_id,
        saw=look.saw,
        watcher=look.watcher.name.split()[0] if look.watcher else "",
    )
