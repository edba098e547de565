"""The letter to a colleague who takes over: numbers, reasons, what was tried, what to avoid."""

from lefthand.change.term import TermMeasure
from lefthand.values.said import Value
from lefthand.values.said import cause as cause_named
from lefthand.values.wording import lower_first
from lefthand.words import beside, told
from studio.lessons.flags import reason_words
from studio.lessons.notes import notes_of
from studio.memory.body import BodyFact, body_words
from studio.memory.findings import age_at, way_of_teaching
from studio.memory.known import known_items, known_words
from studio.models import RedFlag
from studio.progress.letter_about import About, Paragraph, closing, greeting, listed

NEWEST_LESSONS = 20


def colleague_letter(about: About) -> list[Paragraph]:
    return [
        greeting("letter-dear-colleague"),
        Paragraph(told("letter-player"), _who(about)),
        Paragraph(told("letter-stands"), _standing(about)),
        Paragraph(told("letter-told-from"), _reasons(about)),
        Paragraph(told("letter-tried"), _tried(about)),
        Paragraph(told("letter-notes"), _notes(about)),
        Paragraph(told("letter-avoid"), _avoid(about)),
        Paragraph(told("letter-would-do"), about.term.next.why if about.term else ""),
        closing(about),
    ]


def _who(about: About) -> str:
    player, lessons = about.player, about.lessons
    age = age_at(player, lessons[-1]) if lessons else None
    facts = [
        about.instrument,
        player.level,
        *([told("letter-player-age", years=age)] if age is not None else []),
        told("letter-player-hours", hours=player.hours_a_day),
        *([told("letter-player-piece", piece=player.piece)] if player.piece else []),
    ]
    head = told("letter-player-told", facts=beside(facts), lessons=len(lessons))
    lines = [*_ways(about), *(_of_body(fact) for fact in about.body)]
    return "\n".join([head, *([listed(lines)] if lines else [])])


def _ways(about: About) -> list[str]:
    """The way of teaching, where it is not the usual one."""
    known = about.catalogue.ways
    return [
        told("letter-player-way", way=known[key].label, chosen=known[key].words[value])
        for key, value in way_of_teaching(about.player).items()
        if value != known[key].default
        and about.player.instrument in {i.value for i in known[key].instruments}
    ]


def _of_body(fact: BodyFact) -> str:
    if fact.limits:
        return told(
            "letter-player-body-limits", fact=body_words(fact), on=fact.on, limits=fact.limits
        )
    return told("letter-player-body", fact=body_words(fact), on=fact.on)


def _standing(about: About) -> str:
    lines = [
        told(
            "letter-stands-cause",
            name=each.name,
            answer=each.answer,
            chance=round(100 * each.probability[-1]),
        )
        for each in about.strings
    ]
    return listed(lines) or told("letter-stands-nothing")


def _reasons(about: About) -> str:
    seen = [(each.name, [why for why in each.why if why]) for each in about.strings]
    lines = [
        told("letter-told-from-sign", name=name, why=lower_first(whys[-1]))
        for name, whys in seen
        if whys
    ]
    lines += [_of_measure(measure) for measure in (about.term.measures if about.term else ())]
    return listed(lines)


def _of_measure(measure: TermMeasure) -> str:
    first, last = measure.points[0][1], measure.points[-1][1]
    values = {
        "label": measure.label,
        "first": f"{first:g}",
        "last": f"{last:g}",
        "unit": measure.unit,
        "answer": measure.answer,
    }
    if measure.least is None:
        return told("letter-told-from-measure", **values)
    return told("letter-told-from-measure-least", **values, least=f"{measure.least:.1f}")


def _tried(about: About) -> str:
    rungs: dict[str, int] = {}
    for lesson in about.lessons:
        for item in known_items(lesson.plan) if hasattr(lesson, "plan") else []:
            rungs[item.exercise] = max(item.rung, rungs.get(item.exercise, 0))
    helped = {name for each in about.strings for name in each.helped}
    lines = []
    for name, rung in rungs.items():
        exercise = about.catalogue.exercises[name]
        has_helped = exercise.name in helped
        message = "letter-tried-exercise-helped" if has_helped else "letter-tried-exercise"
        rungs_of_it = len(exercise.rungs)
        lines.append(told(message, exercise=exercise.name, rung=rung, rungs=rungs_of_it))
    return listed(lines) or told("letter-tried-nothing")


def _notes(about: About) -> str:
    late = about.lessons[-NEWEST_LESSONS:]
    notes = notes_of(late)
    return listed(
        told("letter-notes-day", day=lesson.date, notes="; ".join(notes[lesson.pk]))
        for lesson in late
        if lesson.pk in notes
    )


def _avoid(about: About) -> str:
    lines = [_of_stop(flag) for flag in about.flags]
    if any(each.cause == "joint_laxity" for each in about.strings):
        lines.append(told("letter-avoid-loose"))
    if any(each.cause == "thumb_index_grip" and each.is_focus for each in about.strings):
        lines.append(told("letter-avoid-strength"))
    exercises = about.catalogue.exercises
    lines += [
        told("letter-avoid-disliked", exercise=exercises[name].name)
        for name in about.player.disliked
        if name in exercises
    ]
    dismissed = {
        word.cause: lesson.date
        for lesson in about.lessons
        for word in known_words(lesson)
        if word.word == "dismissed"
    }
    lines += [
        told("letter-avoid-ruled-out", cause=cause_named(cause), on=day)
        for cause, day in dismissed.items()
    ]
    return listed(lines)


def _of_stop(flag: RedFlag) -> str:
    stop: dict[str, Value] = {"from": flag.raised_on, "why": "; ".join(reason_words(flag))}
    if flag.lifted_on is None:
        return told("letter-avoid-stop", **stop)
    return told("letter-avoid-stop-lifted", **stop, until=flag.lifted_on, note=flag.note)
