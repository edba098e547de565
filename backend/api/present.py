"""Records and computed views as the shapes that leave the API."""

from collections.abc import Sequence
from datetime import date

from api.present_desk import ways_out
from api.present_home import report_out
from api.schemas.lessons import (
    AlternativeOut,
    CauseOut,
    FindingOut,
    FocusOut,
    LessonOut,
    LookOut,
    ObjectionOut,
    PlanItemOut,
    PlanOut,
    PreviousOut,
    ProposalOut,
    ReasonOut,
    ReviewOut,
    SafetyOut,
    UndoOut,
    WithheldOut,
)
from api.schemas.players import (
    DayRowOut,
    FlagOut,
    LadderOut,
    LadderStep,
    PainOut,
    PlayerBrief,
    PlayerIn,
    PlayerOut,
    ReminderOut,
    TimelineLesson,
    TimelineRow,
)
from lefthand.case.case import Finding
from lefthand.catalogue.catalogue import Cause, load_catalogue
from lefthand.practice.plan import Plan as CorePlan
from lefthand.practice.plan import PlanItem as CoreItem
from lefthand.reason.diagnosis import open_settling_trial
from lefthand.reason.explain import CauseView, Reason, phrase
from lefthand.reason.safety import is_loose_by_score
from studio.models import HomeDay, Lesson, Plan, Player, RedFlag
from studio.services.cases import LessonView, asks_pain, weeks_away
from studio.services.decisions import objections
from studio.services.entries import KINDS, undoable_entries
from studio.services.findings import age_at, findings_of, way_of_teaching
from studio.services.flags import home_pain, open_flags, open_reasons
from studio.services.keep_alive import Reminder
from studio.services.known import focus_of, known_items, known_words
from studio.services.lessons import DayRow, plan_minutes
from studio.services.looks import Look, lesson_look
from studio.services.players import PLAIN_FACTS
from studio.services.records import item_dose
from studio.services.reviews import ItemReview
from studio.services.timeline import LESSONS_SHOWN, build_timeline

FINGER_PLACES = {"tip", "middle", "finger"}


def player_brief(player: Player, on: date) -> PlayerBrief:
    age = None if player.birth_year is None else on.year - player.birth_year
    return PlayerBrief(
        id=player.pk,
        name=player.name,
        instrument=player.instrument,
        level=player.level,
        age=age,
        piece=player.piece,
    )


def flag_out(flag: RedFlag) -> FlagOut:
    return FlagOut(
        raised_on=flag.raised_on,
        reasons=flag.reasons,
        lifted_on=flag.lifted_on,
        note=flag.note,
        from_home=flag.from_home,
        mistaken=flag.mistaken,
    )


def stop_out(flags: Sequence[RedFlag]) -> FlagOut | None:
    """All flags that are up as one: every reason, and the earliest day."""
    if not flags:
        return None
    first = min(flags, key=lambda flag: flag.raised_on)
    return flag_out(first).model_copy(update={"reasons": open_reasons(flags)})


def pain_out(log: HomeDay | None) -> PainOut | None:
    return PainOut(date=log.date, pain=log.pain, later=log.later) if log else None


def day_row(row: DayRow, on: date) -> DayRowOut:
    causes = load_catalogue().causes
    return DayRowOut(
        player=player_brief(row.player, on),
        time=row.player.lesson_time.strftime("%H:%M") if row.player.lesson_time else None,
        is_today=row.is_today,
        focus=[causes[c].name for c in row.focus],
        minutes=row.minutes,
        due=[causes[c].name for c in row.due],
        last_lesson=row.last_on,
        lesson_today=row.today.pk if row.today else None,
        flag=stop_out(row.flags),
        pain=pain_out(row.pain),
    )


def player_out(player: Player, on: date, *, whole: bool = False) -> PlayerOut:
    """`whole`: with all lessons, not only the newest."""
    timeline = build_timeline(player, on, None if whole else LESSONS_SHOWN)
    causes = load_catalogue().causes
    return PlayerOut(
        player=player_brief(player, on),
        facts=_facts(player),
        lessons=[
            TimelineLesson(
                id=lesson.pk,
                date=lesson.date,
                focus=[causes[cause].name for cause in focus_of(lesson)],
                exercises=[i.exercise for i in known_items(lesson.plan)]
                if hasattr(lesson, "plan")
                else [],
            )
            for lesson in timeline.lessons
        ],
        rows=[
            TimelineRow(
                evidence=row.evidence.id,
                label=row.evidence.label,
                change=row.change,
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
        ladders=[
            LadderOut(
                exercise=ladder.exercise.id,
                name=ladder.exercise.name,
                rungs=len(ladder.exercise.rungs),
                steps=[LadderStep(date=d, rung=r) for d, r in ladder.steps],
            )
            for ladder in timeline.ladders
        ],
        headline=timeline.headline,
        hidden=timeline.hidden,
        reminders=[_reminder_out(each) for each in timeline.reminders],
        flags=[flag_out(f) for f in player.red_flags.all()],
        stop=stop_out(open_flags(player)),
        pain=pain_out(home_pain(player, on)),
        lesson_today=next((each.pk for each in timeline.lessons if each.date == on), None),
        ways=ways_out(way_of_teaching(player), player.way_of_teaching, player.instrument),
    )


def _facts(player: Player) -> PlayerIn:
    return PlayerIn(
        lesson_time=f"{player.lesson_time:%H:%M}" if player.lesson_time else None,
        **{name: getattr(player, name) for name in PLAIN_FACTS},
    )


def lesson_out(lesson: Lesson) -> LessonOut:
    view = LessonView(lesson)
    diagnosis = view.diagnosis
    look = lesson_look(view, view.history.last_real)
    return LessonOut(
        id=lesson.pk,
        revision=lesson.revision,
        date=lesson.date,
        player=_brief(lesson),
        asked=lesson.asked,
        reports=lesson.reports,
        complaint=lesson.complaint or None,
        skipped=lesson.skipped,
        teacher_line=lesson.teacher_line,
        look_order=lesson.look_order,
        findings={name: _finding_out(name, f, view) for name, f in view.case.findings.items()},
        says=view.says,
        previous=_previous(view.history.last_looked),
        causes=[_cause_out(v, view) for v in diagnosis.causes],
        focus=_focus_out(view),
        engine_focus=list(diagnosis.engine_focus),
        decided=lesson.focuses.exists(),
        look=_look_out(look),
        enough=diagnosis.enough,
        settle=diagnosis.settle,
        safety=SafetyOut(
            level=view.safety.level.value,
            reasons=list(view.safety.reasons),
            flag=stop_out(view.open_flags),
            pain=pain_out(view.home_pain),
            asks_pain=asks_pain(lesson),
            clinician=is_loose_by_score(view.case),
        ),
        home=report_out(lesson),
        reminders=[_reminder_out(each) for each in view.history.reminders],
        harder_piece=lesson.harder_piece,
        weeks_away=weeks_away(lesson, view.history),
        break_weeks=lesson.break_weeks,
        review=[_review_out(r) for r in view.review],
        proposal=_proposal_out(view.proposal, view),
        alternatives=[
            AlternativeOut(
                differs=each.differs.value,
                items=[_core_item_out(item, view) for item in each.plan.items],
                minutes_a_day=each.plan.minutes_a_day,
            )
            for each in view.alternatives
        ],
        disliked=lesson.player.disliked,
        plan=_plan_out(view),
        undoable=[
            UndoOut(key=entry.client_key, words=KINDS[entry.kind].words)
            for entry in undoable_entries(lesson)
        ],
    )


def _reminder_out(reminder: Reminder) -> ReminderOut:
    catalogue = load_catalogue()
    kept = reminder.kept
    return ReminderOut(
        cause=kept.cause,
        name=catalogue.causes[kept.cause].name,
        since=kept.since,
        clean=kept.clean,
        returned=kept.returned,
        helped=[catalogue.exercises[name].name for name in kept.helped],
    )


def _brief(lesson: Lesson) -> PlayerBrief:
    brief = player_brief(lesson.player, lesson.date)
    brief.age = age_at(lesson.player, lesson)
    return brief


def _finding_out(name: str, finding: Finding, view: LessonView) -> FindingOut:
    accepted = view.diagnosis.accepted.get(name)
    words = None
    if accepted:
        way = view.catalogue.ways[accepted.way]
        words = f"{way.label.lower()}: {way.words[accepted.value]}"
    return FindingOut(
        grade=finding.grade,
        by_finger={str(f): g for f, g in finding.by_finger.items()},
        value=finding.value,
        accepted=words,
    )


def _previous(lesson: Lesson | None) -> PreviousOut | None:
    """What the newest earlier lesson saw in which something was looked at."""
    if lesson is None:
        return None
    return PreviousOut(
        lesson=lesson.pk,
        date=lesson.date,
        findings={
            name: FindingOut(
                grade=f.grade,
                by_finger={str(k): g for k, g in f.by_finger.items()},
                value=f.value,
                accepted=None,
            )
            for name, f in findings_of(lesson).items()
        },
    )


def _cause_out(seen: CauseView, view: LessonView) -> CauseOut:
    cause = view.catalogue.causes[seen.cause]
    word = next((w for w in known_words(view.lesson) if w.cause == cause.id), None)
    done = set(view.case.findings) | set(view.lesson.skipped)
    return CauseOut(
        id=cause.id,
        name=cause.name,
        meaning=cause.meaning,
        probability=seen.probability,
        word=seen.word.value,
        fingers=_shown_fingers(cause, seen.fingers),
        speaks_for=[_reason_out(r, view) for r in seen.speaks_for],
        speaks_against=[_reason_out(r, view) for r in seen.speaks_against],
        settle=open_settling_trial(cause.id, view.catalogue, view.case, done),
        teacher_word=word.word if word else None,
        teacher_why=word.why if word else "",
    )


def _shown_fingers(cause: Cause, fingers: tuple[int, ...]) -> list[int]:
    """Fingers of a cause that lies in the fingers; an arm has none, though a finger shows it."""
    return list(fingers) if FINGER_PLACES & set(cause.places) else []


def _reason_out(reason: Reason, view: LessonView) -> ReasonOut:
    finding = view.case.findings.get(reason.evidence)
    evidence = view.catalogue.evidence[reason.evidence]
    words = phrase(evidence, finding) if finding else f"{evidence.label.lower()} (complaint)"
    return ReasonOut(evidence=reason.evidence, phrase=words, weight=reason.weight)


def _focus_out(view: LessonView) -> list[FocusOut]:
    return [
        FocusOut(
            cause=f.cause,
            name=view.catalogue.causes[f.cause].name,
            fingers=_shown_fingers(view.catalogue.causes[f.cause], f.fingers),
            why=f.why,
            is_engines=f.cause in view.diagnosis.engine_focus,
        )
        for f in view.diagnosis.focus
    ]


def _look_out(look: Look | None) -> LookOut | None:
    if look is None:
        return None
    return LookOut(
        again=look.again,
        stage=look.stage.value,
        checks=list(look.checks),
        seconds=look.seconds,
    )


def _review_out(review: ItemReview) -> ReviewOut:
    rung = review.exercise.rung(review.item.rung)
    return ReviewOut(
        item=review.item.pk,
        exercise=review.exercise.id,
        name=review.exercise.name,
        rung=review.item.rung,
        rungs=len(review.exercise.rungs),
        rung_words=rung.words,
        passed_when=review.exercise.passed_when,
        passed=review.result.passed if review.result else None,
        days_done=review.days_done,
        move=review.advice.move.value,
        next_rung=review.advice.rung,
        reason=review.advice.reason,
    )


def _proposal_out(plan: CorePlan, view: LessonView) -> ProposalOut:
    names = view.catalogue.exercises
    return ProposalOut(
        items=[_core_item_out(item, view) for item in plan.items],
        offered=list(plan.offered),
        withheld=[
            WithheldOut(exercise=w.exercise, name=names[w.exercise].name, reason=w.reason)
            for w in plan.withheld
        ],
        check_first=list(plan.check_first),
        minutes_a_day=plan.minutes_a_day,
        budget=view.case.minutes_budget,
        paused=plan.paused,
    )


def _core_item_out(item: CoreItem, view: LessonView) -> PlanItemOut:
    exercise = view.catalogue.exercises[item.exercise]
    return PlanItemOut(
        exercise=item.exercise,
        name=exercise.name,
        kind=item.kind.value,
        rung=item.rung,
        rungs=len(exercise.rungs),
        rung_words=exercise.rung(item.rung).words,
        reps=item.dose.reps,
        sets=item.dose.sets,
        dose=item.dose.words(item.fingers),
        minutes=item.minutes,
        days=list(item.days),
        tempo=item.dose.tempo,
        fingers=list(item.fingers),
        why=item.why,
    )


def _plan_out(view: LessonView) -> PlanOut | None:
    plan = Plan.objects.filter(lesson=view.lesson).prefetch_related("items").first()
    if plan is None:
        return None
    items = []
    for item in known_items(plan):
        exercise = view.catalogue.exercises[item.exercise]
        dose = item_dose(item)
        items.append(
            PlanItemOut(
                exercise=item.exercise,
                name=exercise.name,
                kind=exercise.kind.value,
                rung=item.rung,
                rungs=len(exercise.rungs),
                rung_words=exercise.rung(item.rung).words,
                reps=item.reps,
                sets=item.sets,
                dose=dose.words(item.fingers),
                minutes=dose.minutes(len(item.fingers)),
                days=item.days,
                tempo=item.tempo,
                fingers=item.fingers,
                why=item.why,
            )
        )
    return PlanOut(
        items=items,
        minutes_a_day=plan_minutes(plan.lesson),
        objections=[ObjectionOut(exercise=o.exercise, reason=o.reason) for o in objections(view)],
    )
