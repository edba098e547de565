"""The letter to a parent, or to a grown player: what was worked on, what is better, what comes
next, one thing to watch for; kind, concrete, and without numbers of the measuring."""

from lefthand.change.causes import CauseWord
from lefthand.change.term import TermString
from lefthand.values.wording import lower_first
from lefthand.words import told
from studio.memory.known import known_items
from studio.progress.letter_about import (
    BETTER,
    About,
    Paragraph,
    closing,
    greeting,
    listed,
)

EARLY_WEEKS = 6


def parent_letter(about: About) -> list[Paragraph]:
    dear = "letter-dear-player" if about.is_adult else "letter-dear-parents"
    return [
        greeting(dear, name=about.first),
        Paragraph(told("letter-worked-on"), _worked_on(about)),
        Paragraph(told("letter-better"), _better(about)),
        Paragraph(told("letter-next"), _next(about)),
        Paragraph(told("letter-watch"), _watch(about)),
        Paragraph(told("letter-hurts"), told("letter-hurts-told")),
        closing(about),
    ]


def _worked_on(about: About) -> str:
    left_out = (CauseWord.NOT_SEEN.value, CauseWord.RULED_OUT.value)
    worked = [s for s in about.strings if s.focus and s.word not in left_out]
    who = {"adult": "yes" if about.is_adult else "no", "name": about.first}
    if not worked:
        return told("letter-worked-on-nothing", **who)
    lines = listed(_with_exercises(each, about) for each in worked)
    return "\n".join([told("letter-worked-on-this", **who), lines])


def _with_exercises(string: TermString, about: About) -> str:
    meaning = about.cause(string).meaning
    exercises = tuple(dict.fromkeys(s.words for s in string.focus if s.words))
    if not exercises:
        return meaning
    return told("letter-worked-on-with", meaning=meaning, exercises=exercises)


def _better(about: About) -> str:
    better = [each for each in about.strings if each.word in BETTER]
    if not better and about.weeks < EARLY_WEEKS:
        return told("letter-better-early")
    if not better:
        return told("letter-better-not", weeks=round(about.weeks))
    return listed(_easier(each, about) for each in better)


def _easier(string: TermString, about: About) -> str:
    cause = about.cause(string)
    easier = cause.easier if about.is_adult else cause.easier_for_another
    is_sure = string.word != CauseWord.PROBABLY_LESS.value
    return told("letter-better-this" if is_sure else "letter-better-perhaps", easier=easier)


def _next(about: About) -> str:
    if about.is_stopped:
        return told("letter-next-stopped")
    now = [each for each in about.strings if each.is_focus and each.word != CauseWord.GONE.value]
    if not now:
        return told("letter-next-keep")
    cause = about.cause(now[0])
    meaning = lower_first(cause.meaning)
    worked = _weeks_of_work(now[0], about)
    if now[0].word in BETTER:
        return told("letter-next-less", meaning=meaning)
    if cause.weeks is not None and worked > cause.weeks[1]:
        return told("letter-next-long", meaning=meaning, takes=cause.takes, weeks=round(worked))
    return told("letter-next-takes", meaning=meaning, takes=cause.takes)


def _weeks_of_work(string: TermString, about: About) -> float:
    """Since it became the focus for the last time."""
    if not string.focus or about.term is None:
        return 0.0
    return (about.on - about.term.date_of(string.focus[-1].start)).days / 7


def _watch(about: About) -> str:
    plan = about.newest_plan
    items = known_items(plan) if plan and not about.is_stopped else []
    if not items:
        return told("letter-watch-break")
    exercise = about.catalogue.exercises[items[0].exercise]
    return told("letter-watch-this", exercise=exercise.name, mirror=lower_first(exercise.mirror))
