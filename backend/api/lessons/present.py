"""A lesson with all that follows from it as it leaves the API."""

from collections.abc import Mapping, Sequence
from dataclasses import asdict
from typing import Any, cast

from api.brief.present import pain_out, player_brief, reminder_out, stop_out
from api.brief.schemas import PlayerBrief
from api.exercises.schemas import NeckSpot
from api.home.present import paper_week_out, report_out
from api.lessons.body import body_out
from api.lessons.schemas import (
    AlternativeOut,
    AskedOut,
    CauseOut,
    ComparedOut,
    FindingOut,
    FitOut,
    FocusOut,
    InPieceOut,
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
    TeacherWord,
    TwoNumbers,
    UndoOut,
    WithheldOut,
)
from api.lessons.undo_words import undo_words
from lefthand.case.case import Compared, Finding
from lefthand.case.ways import Accepted
from lefthand.catalogue.causes import Cause
from lefthand.drawing.posture import thumb_of
from lefthand.practice.objections import Objection
from lefthand.practice.plan import Plan as CorePlan
from lefthand.practice.plan import PlanItem as CoreItem
from lefthand.practice.planning import is_carried
from lefthand.practice.tempo import steps_between
from lefthand.practice.why import focus_aimed_at, why_cause, why_given
from lefthand.reason.diagnosis import open_settling_trial
from lefthand.reason.explain import CauseView, Reason, seen
from lefthand.reason.kept import kept_said
from lefthand.reason.safety import is_loose_by_score
from lefthand.values.said import Said, said
from lefthand.values.said import evidence as said_evidence
from lefthand.values.vocabulary import POSSIBLE_ABOVE, Instrument, likelihood_of
from lefthand.words import words_of
from studio.entries import undoable_entries
from studio.home.week_at_home import week_before
from studio.lessons.access import plan_minutes
from studio.lessons.again import asked_in
from studio.lessons.cases import LessonView, asks_pain, open_words, weeks_away
from studio.lessons.decisions import objections, stale_focus, taken_focus
from studio.lessons.looks import Look, lesson_look
from studio.lessons.reviews import ItemReview
from studio.lessons.setups import to_judge
from studio.memory.findings import age_at, findings_of
from studio.memory.known import chosen_focus, known_items, known_words, why_ruled_out
from studio.memory.records import planned
from studio.models import Lesson, LessonEntry, Plan, PlanItem
from studio.pieces.own_places import harder_hint
from studio.sheet.one_thing import one_thing_before, proposed_one_thing

# Of a lesson, as they are kept.
PLAIN = (
    *("revision", "date", "asked", "reports", "skipped", "teacher_line", "home_take"),
    "one_thing",
    *("look_order", "harder_piece", "break_weeks", "complaint_finger"),
)
FINGER_PLACES = {"tip", "middle", "finger"}


def lesson_out(lesson: Lesson) -> LessonOut:
    """A lesson as it leaves the API."""
    return view_out(LessonView(lesson))


def view_out(view: LessonView) -> LessonOut:
    """The same of a lesson that is open already."""
    lesson, diagnosis = view.lesson, view.diagnosis
    look = lesson_look(view, view.past.last_real)
    decided = lesson.focuses.all()
    entries = undoable_entries(lesson)
    plan = Plan.objects.filter(lesson=lesson).prefetch_related("items").first()
    return LessonOut(
        id=lesson.pk,
        **{name: getattr(lesson, name) for name in PLAIN},
        player=_brief(lesson),
        complaint=lesson.complaint or None,
        thumb=cast("Any", thumb_of(view.case.instrument, view.case.way_of_teaching)),
        again=[AskedOut(**asdict(each)) for each in asked_in(view)],
        waits_for=open_words(view),
        body=body_out(view),
        findings={
            name: _finding_out(f, view.diagnosis.accepted.get(name))
            for name, f in view.case.findings.items()
        },
        says=view.says,
        previous=_previous(view.past.last_looked),
        causes=[_cause_out(v, view) for v in diagnosis.causes],
        focus=_focus_out(view),
        engine_focus=list(diagnosis.engine_focus),
        decided=bool(decided),
        chosen=bool(chosen_focus(lesson)),
        moved_from=_moved_from(view, entries),
        kept_words=_words(
            kept_said(view.case, diagnosis.probabilities, [f.cause for f in diagnosis.focus])
        ),
        look=_look_out(look, view),
        enough=diagnosis.enough,
        settle=diagnosis.settle,
        safety=_safety_out(view),
        one_thing_proposed=proposed_one_thing(view, plan).say,
        **_week_before(view),
        fit=_fit_out(view),
        reminders=[reminder_out(each) for each in view.history.reminders],
        harder_hint=harder_hint(view),
        weeks_away=weeks_away(lesson, view.past),
        last_week=next((item.plan.lesson_id for item in view.past.last_items), None),
        review=[_review_out(r, view.case.instrument) for r in view.review],
        proposal=_proposal_out(view.proposal, view),
        alternatives=_alternatives(view),
        disliked=lesson.player.disliked,
        plan=_plan_out(view, plan),
        undoable=_undoable(view, entries),
    )


def _week_before(view: LessonView) -> dict[str, Any]:
    """What the week that ends with this lesson was about, and what came home of it."""
    before, items = week_before(view.lesson), view.past.last_items
    said = one_thing_before(items)
    return {
        "home": report_out(before, items),
        "paper_week": paper_week_out(view.lesson, before, items),
        "one_thing_before": said.say if said else "",
    }


def _undoable(view: LessonView, entries: list[LessonEntry]) -> list[UndoOut]:
    shown = {str(review.item.pk): review.exercise.name for review in view.review}
    return [UndoOut(key=entry.client_key, words=undo_words(entry, shown)) for entry in entries]


def _alternatives(view: LessonView) -> list[AlternativeOut]:
    return [
        AlternativeOut(
            differs=each.differs.value,
            items=[_item_out(item, view, _focus_now(view)) for item in each.plan.items],
            minutes_a_day=each.plan.minutes_a_day,
        )
        for each in view.alternatives
    ]


def _words(what: Said | None) -> str:
    return words_of(what) if what is not None else ""


def _objection_out(objection: Objection) -> ObjectionOut:
    return ObjectionOut(
        id=objection.reason.id, exercise=objection.exercise, reason=words_of(objection.said)
    )


def _safety_out(view: LessonView) -> SafetyOut:
    return SafetyOut(
        level=view.safety.level.value,
        reasons=[words_of(reason) for reason in view.safety.reasons],
        flag=stop_out(view.open_flags),
        pain=pain_out(view.past.home_pain),
        asks_pain=asks_pain(view.lesson),
        clinician=is_loose_by_score(view.case),
    )


def _fit_out(view: LessonView) -> FitOut | None:
    setup = to_judge(view.lesson, view.history.setups)
    if setup is None:
        return None
    return FitOut(id=setup.pk, date=setup.date, change=setup.change, judged=setup.judged)


def _brief(lesson: Lesson) -> PlayerBrief:
    brief = player_brief(lesson.player, lesson.date)
    brief.age = age_at(lesson.player, lesson)
    return brief


def _finding_out(finding: Finding, accepted: Accepted | None = None) -> FindingOut:
    return FindingOut(
        grade=finding.grade,
        by_finger={str(f): g for f, g in finding.by_finger.items()},
        value=finding.value,
        compared=_compared_out(finding.compared) if finding.compared else None,
        accepted=accepted.words if accepted else None,
    )


def _compared_out(trial: Compared) -> ComparedOut:
    pair = trial.measured
    return ComparedOut(
        before=trial.before,
        after=trial.after,
        changed=trial.changed,
        measured=TwoNumbers(before=pair.before, after=pair.after) if pair else None,
        says=words_of(pair.told(trial.before)) if pair else "",
    )


def _previous(lesson: Lesson | None) -> PreviousOut | None:
    """What the newest earlier lesson saw in which something was looked at."""
    if lesson is None:
        return None
    return PreviousOut(
        lesson=lesson.pk,
        date=lesson.date,
        findings={name: _finding_out(f) for name, f in findings_of(lesson).items()},
    )


def _cause_out(seen: CauseView, view: LessonView) -> CauseOut:
    cause = view.catalogue.causes[seen.cause]
    word = next((w for w in known_words(view.lesson) if w.cause == cause.id), None)
    out = view.ruled_out.get(cause.id) if word is None else None
    said = word.word if word else "dismissed" if out else None
    done = set(view.case.findings) | set(view.lesson.skipped)
    return CauseOut(
        id=cause.id,
        name=cause.name,
        meaning=cause.meaning,
        probability=seen.probability,
        word=seen.word.value,
        before=_before(view.case.memory.get(cause.id)),
        fingers=_shown_fingers(cause, seen.fingers),
        speaks_for=[_reason_out(r, view) for r in seen.speaks_for],
        speaks_against=[_reason_out(r, view) for r in seen.speaks_against],
        settle=open_settling_trial(cause.id, view.catalogue, view.case, done),
        teacher_word=cast(TeacherWord | None, said),
        teacher_why=word.why if word else why_ruled_out(view.lesson, cause.id, out),
        ruled_out_on=out.on if out else None,
    )


def _before(probability: float | None) -> str:
    """How likely a cause was by earlier lessons, where it was possible at all."""
    if probability is None or probability <= POSSIBLE_ABOVE:
        return ""
    return likelihood_of(probability).value


def _shown_fingers(cause: Cause, fingers: tuple[int, ...]) -> list[int]:
    """Fingers of a cause that lies in the fingers; an arm has none, though a finger shows it."""
    return list(fingers) if FINGER_PLACES & set(cause.places) else []


def _reason_out(reason: Reason, view: LessonView) -> ReasonOut:
    name, evidence = reason.evidence, view.catalogue.evidence[reason.evidence]
    what = seen(evidence, view.diagnosis.findings[name])
    if name not in view.case.findings:
        is_known = name in view.case.known
        what = said("seen-before", seen=what) if is_known else _complained(name)
    return ReasonOut(evidence=reason.evidence, phrase=words_of(what), weight=reason.weight)


def _complained(name: str) -> Said:
    return said("seen-complaint", label=said_evidence(name))


def _focus_out(view: LessonView) -> list[FocusOut]:
    return [
        FocusOut(
            cause=f.cause,
            name=view.catalogue.causes[f.cause].name,
            fingers=_shown_fingers(view.catalogue.causes[f.cause], f.fingers),
            why=words_of(f.why),
            is_engines=f.cause in view.diagnosis.engine_focus,
        )
        for f in view.diagnosis.focus
    ]


def _look_out(look: Look | None, view: LessonView) -> LookOut | None:
    if look is None:
        return None
    return LookOut(
        again=look.again,
        whys={
            check: look.whys.get(check) or _words(view.diagnosis.why_next) for check in look.checks
        },
        stage=look.stage.value,
        checks=list(look.checks),
        seconds=look.seconds,
    )


def _review_out(review: ItemReview, instrument: Instrument) -> ReviewOut:
    return ReviewOut(
        item=review.item.pk,
        exercise=review.exercise.id,
        name=review.exercise.name,
        rung=review.item.rung,
        rungs=len(review.exercise.rungs),
        rung_words=review.exercise.words_of(review.item.rung, instrument),
        passed_when=review.exercise.passed_when,
        two_pictures=review.exercise.two_pictures,
        passed=review.result.passed if review.result else None,
        pain=review.result.pain if review.result else None,
        days_done=review.days_done,
        move=review.advice.move.value,
        next_rung=review.advice.rung,
        reason=words_of(review.advice.reason),
    )


def _proposal_out(plan: CorePlan, view: LessonView) -> ProposalOut:
    names = view.catalogue.exercises
    return ProposalOut(
        items=[_item_out(item, view, _focus_now(view)) for item in plan.items],
        offered=list(plan.offered),
        withheld=[
            WithheldOut(
                id=w.reason.id,
                exercise=w.exercise,
                name=names[w.exercise].name,
                reason=words_of(w.reason),
            )
            for w in plan.withheld
        ],
        check_first=list(plan.check_first),
        in_lesson=list(plan.in_lesson),
        says=[*map(words_of, plan.says), *([view.fit_words] if view.fit_words else [])],
        minutes_a_day=plan.minutes_a_day,
        budget=view.case.minutes_budget,
        paused=plan.paused,
    )


def _focus_now(view: LessonView) -> list[str]:
    return [focus.cause for focus in view.diagnosis.focus]


def _item_out(item: CoreItem, view: LessonView, focus: Sequence[str]) -> PlanItemOut:
    """`focus`: of the week that the item stands in."""
    exercise = view.catalogue.exercises[item.exercise]
    cause = focus_aimed_at(exercise, focus)
    does = why_given(item.exercise, None, is_carried=is_carried(exercise, view.situation))
    return PlanItemOut(
        exercise=item.exercise,
        name=exercise.name,
        kind=item.kind.value,
        rung=item.rung,
        rungs=len(exercise.rungs),
        rung_words=exercise.words_of(item.rung, view.case.instrument),
        reps=item.dose.reps,
        sets=item.dose.sets,
        dose=item.dose.words(item.fingers),
        minutes=item.minutes,
        days=list(item.days),
        tempo=item.dose.tempo,
        goal=item.goal,
        tempo_work=exercise.tempo_work,
        tempo_steps=steps_between(item.dose.tempo, item.goal),
        fingers=list(item.fingers),
        why=words_of(item.why),
        because=words_of(why_cause(cause)) if cause else "",
        does=words_of(does),
        takes_piece=exercise.rung(item.rung).in_piece is not None,
        in_piece=_in_piece(item, view),
        spot=_spot_out(view.spot_before(item.exercise)),
    )


def _spot_out(kept: Mapping[str, int] | None) -> NeckSpot | None:
    return NeckSpot(**kept) if kept else None


def _in_piece(item: CoreItem, view: LessonView) -> InPieceOut | None:
    """Of an item that is proposed."""
    if item.in_piece is None or view.own_place is None:
        return None
    return _in_piece_out(view.own_place.piece.pk, view.own_place.told(item.in_piece))


def _in_piece_out(piece: int, told: Mapping[str, Any]) -> InPieceOut:
    return InPieceOut(piece=piece, title=told["title"], bars=[told["from"], told["to"]])


def _given_item_out(item: PlanItem, view: LessonView) -> PlanItemOut:
    told = _item_out(planned(item), view, item.plan.focus or [])
    if item.piece_id is not None and item.in_piece is not None:
        told.in_piece = _in_piece_out(item.piece_id, item.in_piece)
    told.spot = _spot_out(item.spot)
    return told


def _moved_from(view: LessonView, newest: list[LessonEntry]) -> list[str]:
    """What was taken as the focus, where corrected grades have moved it since."""
    causes = view.catalogue.causes
    now = [focus.cause for focus in view.diagnosis.focus]
    taken = taken_focus(view.lesson, newest)
    return [causes[cause].name for cause in taken if cause in causes] if taken != now else []


def _plan_out(view: LessonView, plan: Plan | None) -> PlanOut | None:
    causes = view.catalogue.causes
    if plan is None:
        return None
    return PlanOut(
        made_for=[causes[cause].name for cause in stale_focus(view, plan) if cause in causes],
        items=[_given_item_out(item, view) for item in known_items(plan)],
        minutes_a_day=plan_minutes(plan.lesson),
        objections=[_objection_out(each) for each in objections(view)],
    )
