"""The span a player's instrument asks for, against the span of the player's hand."""

from lefthand import load_catalogue, parse_fit
from lefthand.fit.reach import Reach
from lefthand.fit.reach_json import FIT_FORMAT
from lefthand.values.vocabulary import Instrument
from studio.models import Player
from studio.services.findings import way_of_teaching


def reach_of(player: Player, span: float | None, string_length: float | None) -> Reach | None:
    """In first position with the usual frame; lengths in mm. Where no string length is given it is
    that of the newest record of the fit, else the usual one of its size; None where neither is
    known. Raises InputError naming span or string_length."""
    string = _string_known(player) if string_length is None else {"string_length": string_length}
    if not string:
        return None
    asked: dict[str, str | float] = {
        "format": FIT_FORMAT,
        "instrument": player.instrument,
        **string,
    }
    if span is not None:
        asked["span"] = span
    ways = way_of_teaching(player)
    if player.instrument == Instrument.BASS and "bass_fingering" in ways:
        asked["bass_fingering"] = ways["bass_fingering"]
    return parse_fit(asked, load_catalogue())


def _string_known(player: Player) -> dict[str, str | float]:
    """The newest string length, or size that has a usual one, that was written down."""
    sizes = load_catalogue().sizes[Instrument(player.instrument)]
    for setup in reversed(player.setups.all()):
        if setup.string_length is not None:
            return {"string_length": setup.string_length}
        if setup.size in sizes:
            return {"size": setup.size}
    return {}
