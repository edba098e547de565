"""The term of a player as it leaves the API."""

from collections.abc import Sequence

from api.term.schemas import (
    TermLesson,
    TermMarkOut,
    TermMeasureOut,
    TermNextOut,
    TermOut,
    TermPictureOut,
    TermRowOut,
    TermSignOut,
    TermStringOut,
)
from lefthand.catalogue.catalogue import load_catalogue
from lefthand.change.term import TermMeasure, TermNext, TermSign
from lefthand.drawing.term.ground import Size
from lefthand.drawing.term.picture import Span, spans_of, term_picture
from lefthand.values.vocabulary import DAYS_A_WEEK
from studio.progress.term import KeptTerm


def term_out(kept: KeptTerm, size: Size, span: Span) -> TermOut:
    """The term as it leaves the API, with its picture."""
    term = kept.term
    if term is None:
        return TermOut(
            better="", stuck="", next=None, span=span, spans=[span],
            picture=None, strings=[], measures=[], lessons=[], practised=0,
        )  # fmt: skip
    return TermOut(
        better=term.better,
        stuck=term.stuck,
        next=_next_out(term.next),
        span=span,
        spans=[each.value for each in spans_of(term)],
        picture=_picture_out(kept, size, span) if term.strings else None,
        strings=[
            TermStringOut(
                cause=each.cause,
                name=each.name,
                answer=each.answer,
                since=each.since,
                signs=[_sign_out(sign, kept.lessons) for sign in each.signs],
                helped=list(each.helped),
            )
            for each in term.strings
        ],
        measures=[_measure_out(each) for each in term.measures],
        lessons=[
            TermLesson(id=lesson, date=term.date_of(day))
            for lesson, day in zip(kept.lessons, term.lessons, strict=True)
        ],
        practised=sum(day > term.last - DAYS_A_WEEK for day, _ in term.practice),
    )


def _next_out(step: TermNext) -> TermNextOut:
    evidence = load_catalogue().evidence
    causes = load_catalogue().causes
    return TermNextOut(
        step=step.step.value,
        why=step.beside,
        cause=causes[step.cause].name if step.cause else None,
        check=evidence[step.check].label if step.check else None,
    )


def _picture_out(kept: KeptTerm, size: Size, span: Span) -> TermPictureOut | None:
    if kept.term is None:
        return None
    found = term_picture(kept.term, size, span)
    return TermPictureOut(
        svg=found.svg,
        width=found.width,
        height=found.height,
        marks=[
            TermMarkOut(
                x=mark.x,
                y=mark.y,
                width=mark.width,
                height=mark.height,
                words=mark.words,
                lesson=None if mark.lesson is None else kept.lessons[mark.lesson],
                cause=mark.cause,
            )
            for mark in found.marks
        ],
        rows=[TermRowOut(of=row.of, key=row.key, y=row.y) for row in found.rows],
        folded=list(found.folded),
    )


def _sign_out(sign: TermSign, lessons: Sequence[int]) -> TermSignOut:
    return TermSignOut(
        evidence=sign.evidence,
        label=sign.label,
        finger=sign.finger,
        answer=sign.answer,
        grades={lessons[number]: grade for number, grade in sign.grades.items()},
    )


def _measure_out(measure: TermMeasure) -> TermMeasureOut:
    values = [value for _, value in measure.points]
    return TermMeasureOut(
        label=measure.label,
        unit=measure.unit,
        first=values[0],
        last=values[-1],
        least=measure.least,
        basis=measure.basis,
        answer=measure.answer,
        note=measure.note,
    )
