"""What our own tunes ask of a hand, to set beside the pieces that it plays."""

from collections.abc import Mapping
from functools import lru_cache
from types import MappingProxyType

from lefthand.catalogue.catalogue import load_catalogue
from lefthand.catalogue.tunes import Tune
from lefthand.composing.compose import free_recipe, make_drill
from lefthand.composing.tune_drill import AS_IT_IS, tunes_of
from lefthand.music.request import DrillRequest
from lefthand.passage.harder import Asks, asks_of
from lefthand.passage.of_drill import passage_of_drill
from lefthand.passage.passage import Asked
from lefthand.values.vocabulary import Instrument, Level


@lru_cache(maxsize=2 * len(Instrument) * len(Level))
def tunes_asked(instrument: Instrument, level: Level) -> Mapping[Tune, Asks]:
    """Points a bar by kind of demand of each tune that lies under a hand of the instrument, in its
    usual place and tempo, for a full size."""
    recipe = free_recipe(AS_IT_IS, instrument, load_catalogue())
    asked = Asked(instrument, level=level)
    return MappingProxyType(
        {
            tune: asks_of(
                passage_of_drill(make_drill(recipe, DrillRequest(instrument, tune=tune.id)), asked)
            )
            for tune in tunes_of(instrument)
        }
    )
