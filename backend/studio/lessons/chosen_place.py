"""The place in a player's own piece that a teacher chose for the week."""

from collections.abc import Iterable, Mapping, Sequence
from dataclasses import dataclass
from typing import Any

from lefthand.practice.own_place import OwnPlace
from lefthand.practice.plan import PlanItem
from studio.models import Piece

NOT_IN_A_PIECE: Mapping[str, Any] = {"piece": None, "in_piece": None}


@dataclass(frozen=True)
class Chosen:
    """The place that a teacher chose, with its piece."""

    piece: Piece
    place: OwnPlace
    numbers: Sequence[str]  # of the bars, as printed

    def stored(self, item: PlanItem) -> dict[str, Any]:
        """The fields of a stored item that is played there, or is not."""
        if item.in_piece is None:
            return dict(NOT_IN_A_PIECE)
        return {"piece": self.piece, "in_piece": self.told(item.in_piece)}

    def told(self, window: tuple[int, int]) -> dict[str, Any]:
        first, last = window
        return {
            "title": self.piece.title,
            "first": first,
            "last": last,
            "from": self.numbers[first],
            "to": self.numbers[last],
        }


def chosen_place(pieces: Iterable[Piece]) -> Chosen | None:
    """Of a player's pieces."""
    piece = next((each for each in pieces if each.place is not None), None)
    kept: Mapping[str, Any] | None = piece.place if piece else None
    if piece is None or kept is None:
        return None
    place = OwnPlace(
        first=kept["first"],
        last=kept["last"],
        heart=(kept["heart"][0], kept["heart"][1]),
        quarters=[quarters for _, quarters in kept["bars"]],
        start=kept["start"],
        goal=kept["goal"],
    )
    return Chosen(piece, place, [number for number, _ in kept["bars"]])
