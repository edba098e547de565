"""The span a player's instrument asks for, against the span of the player's hand."""

from collections.abc import Mapping

from lefthand.catalogue.catalogue import load_catalogue
from lefthand.catalogue.sizes import STRING_LENGTHS
from lefthand.fit.reach import Reach
from lefthand.fit.reach_json import SPANS
from lefthand.music.hands import bass_frame, hand_of, usual_frame
from lefthand.values.fields import read_number
from lefthand.values.vocabulary import Instrument
from studio.models import Player
from studio.services.findings import way_of_teaching

FIRST_POSITION = 1


def reach_of(player: Player, span: float | None, string_length: float | None) -> Reach | None:
    """In first position with the usual frame; lengths in mm. Where no string length is given it is
    that of the newest record of the fit, else the usual one of its size; None where neither is
    known. Raises InputError naming span or string_length."""
    if span is not None:
        read_number("span", span, *SPANS)
    if string_length is not None:
        read_number("string_length", string_length, *STRING_LENGTHS)
    instrument = Instrument(player.instrument)
    sizes = load_catalogue().sizes[instrument]
    length = string_length if string_length is not None else _length_known(player, sizes)
    if length is None:
        return None
    is_bass = instrument is Instrument.BASS
    frame = bass_frame(way_of_teaching(player)) if is_bass else usual_frame(instrument)
    hand = hand_of(instrument, FIRST_POSITION, frame)
    return Reach(instrument, length, FIRST_POSITION, frame, hand, sizes, span)


def _length_known(player: Player, sizes: Mapping[str, float]) -> float | None:
    for setup in reversed(player.setups.all()):
        if setup.string_length is not None:
            return float(setup.string_length)
        if setup.size in sizes:
            return sizes[setup.size]
    return None
