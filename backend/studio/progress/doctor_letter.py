"""The letter to a doctor or physiotherapist: what was reported and when, hours of playing, what was
stopped; nothing else, and no opinion."""

from collections.abc import Iterable
from datetime import date

from lefthand.catalogue.catalogue import load_catalogue
from lefthand.practice.pains import LESS, MORE, SAME
from lefthand.values.said import Value
from lefthand.values.vocabulary import Place
from lefthand.words import told
from studio.lessons.flags import reason_words
from studio.memory.pains import place_named
from studio.models import HomeDay, Lesson, RedFlag
from studio.progress.letter_about import About, Paragraph, closing, greeting, listed

SIGNS = (
    "numbness", "radiating", "curling", "swelling", "sudden_weakness", "tired_next_day",
    "earlier_injury", "playing_jump",
)  # fmt: skip
TIMES = ("playing", "rest", "night", "next_day")


def doctor_letter(about: About) -> list[Paragraph]:
    hours = about.player.hours_a_day
    playing = told(
        "letter-playing-told", name=about.first, instrument=about.instrument, hours=hours
    )
    return [
        greeting("letter-dear-doctor"),
        Paragraph(told("letter-about"), told("letter-about-told")),
        Paragraph(told("letter-playing"), playing),
        Paragraph(told("letter-reported"), _reported(about)),
        Paragraph(told("letter-stopped"), _stopped(about)),
        Paragraph(told("letter-question"), told("letter-question-told")),
        closing(about),
    ]


def _reported(about: About) -> str:
    lines: list[tuple[date, str]] = [
        (day, told("letter-reported-allowed", day=day, limits=fact.limits))
        for fact in about.body
        if (day := fact.limits_on) is not None
    ]
    for lesson in about.lessons:
        if reported := "; ".join(_of_lesson(lesson)):
            words = told("letter-reported-lesson", day=lesson.date, told=reported)
            lines.append((lesson.date, words))
        for log in lesson.home_days.all():
            if logged := "; ".join(_of_log(log)):
                lines.append((log.date, told("letter-reported-home", day=log.date, told=logged)))
    return listed(words for _, words in sorted(lines)) or told("letter-reported-nothing")


def _of_lesson(lesson: Lesson) -> list[str]:
    reports = lesson.reports
    found = []
    if reports.get("pain"):
        where = place_named(reports.get("place"))
        when = _times(reports.get("pain_when", []))
        found.append(", ".join([told("told-pain", pain=reports["pain"], place=where), *when]))
    hurt = max((result.pain or 0 for result in lesson.results.all()), default=0)
    if hurt > 0:
        found.append(told("told-pain-shown", pain=hurt))
    found += [
        told("told-pain-again", place=place_named(key), answer=answer)
        for key, answer in lesson.again.items()
        if key in set(Place) and answer in (LESS, SAME, MORE)
    ]
    found += _signs(name for name in SIGNS if reports.get(name))
    complaints = load_catalogue().complaints.values()
    found += [
        told("told-complaint", says=c.says)
        for c in complaints
        if c.hurts and c.evidence == lesson.complaint
    ]
    return found


def _of_log(log: HomeDay) -> list[str]:
    pain = [told("told-pain", pain=log.pain, place=place_named(log.place))] if log.pain else []
    return [*pain, *_signs(log.signs), *_times(log.later or [])]


def _signs(names: Iterable[str]) -> list[str]:
    return [told(f"told-sign-{name.replace('_', '-')}") for name in names if name in SIGNS]


def _times(names: Iterable[str]) -> list[str]:
    return [told(f"told-time-{name.replace('_', '-')}") for name in names if name in TIMES]


def _stopped(about: About) -> str:
    return listed(_of_stop(flag) for flag in about.flags) or told("letter-stopped-nothing")


def _of_stop(flag: RedFlag) -> str:
    stop: dict[str, Value] = {"from": flag.raised_on, "why": "; ".join(reason_words(flag))}
    if flag.lifted_on is None:
        return told("letter-stopped-still", **stop)
    return told("letter-stopped-until", **stop, until=flag.lifted_on)
