"""A player's repertoire as it leaves the API."""

from typing import Literal, cast

from api.pieces.present import piece_out
from api.pieces.schemas import NewThingOut, NextPieceOut, RepertoireOut, RepertoirePieceOut
from lefthand.catalogue.catalogue import load_catalogue
from lefthand.passage.harder import asked_most
from lefthand.passage.repertoire import Beside, New, theme_said, themes
from lefthand.words import words_of
from studio.pieces.repertoire import Repertoire


def repertoire_out(told: Repertoire) -> RepertoireOut:
    begun = [told.loads[piece.pk] for piece in told.pieces if not piece.later]
    heaviest = max((load for each in begun for load in each.values()), default=0.0) or 1.0
    shown = [theme for theme in themes() if any(each[theme] > 0 for each in told.loads.values())]
    return RepertoireOut(
        themes={theme: words_of(theme_said(theme, told.finger)) for theme in shown},
        pieces=[
            RepertoirePieceOut(
                **piece_out(piece).dict(),
                later=piece.later,
                more=_more(piece.pk, told),
                loads={t: round(min(1.0, told.loads[piece.pk][t] / heaviest), 3) for t in shown},
                most=[words_of(each) for each in asked_most(piece.asks, told.finger)],
            )
            for piece in told.pieces
        ],
        next=[_next_out(each, told) for each in told.next],
        to_rest_on=[_next_out(each, told) for each in told.to_rest_on],
        begins=told.begins,
        paused=told.is_paused,
        eased=[words_of(each) for each in told.eased],
        unread=told.unread,
    )


def _more(piece: int, told: Repertoire) -> list[str]:
    if told.begins or piece not in told.waiting:
        return []
    return [words_of(theme_said(new.theme, told.finger)) for new in told.waiting[piece].new]


def _next_out(each: Beside, told: Repertoire) -> NextPieceOut:
    kind, _, name = each.candidate.id.partition(" ")
    return NextPieceOut(
        kind=cast(Literal["piece", "tune"], kind),
        id=name,
        title=each.candidate.title,
        new=[] if told.begins else [_new_out(new, told.finger) for new in each.new],
    )


def _new_out(new: New, finger: int) -> NewThingOut:
    causes = load_catalogue().causes
    return NewThingOut(
        words=words_of(theme_said(new.theme, finger)),
        why=[words_of(each) for each in new.why],
        returns=[causes[cause].name for cause in new.causes],
    )
