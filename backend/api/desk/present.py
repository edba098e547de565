"""Ways of teaching and cut points as they leave the API."""

from collections.abc import Mapping
from datetime import datetime

from django.conf import settings as django_settings

from api.desk.schemas import (
    DeskOut,
    HelpedOut,
    LearningOut,
    MeasureOut,
    SettledOut,
    ShareOut,
    WayOut,
    WayValueOut,
)
from lefthand.catalogue.catalogue import load_catalogue
from lefthand.reason.learning import starting_value
from lefthand.values.measures import MEASURES
from studio.desk.desk import FIXED_MEASURES
from studio.desk.people import is_owner
from studio.keeping.copies import is_copy_due
from studio.memory.learning import settled_by
from studio.models import TeacherSettings
from studio.today.attention import StudioShares


def ways_out(
    in_force: Mapping[str, str], own: Mapping[str, str], instrument: str | None = None
) -> list[WayOut]:
    """Every way (of one instrument) with the value in force; `own` are those chosen here."""
    return [
        WayOut(
            key=way.key,
            label=way.label,
            instruments=sorted(way.instruments),
            values=[WayValueOut(id=v, words=way.words[v]) for v in way.values],
            chosen=in_force.get(way.key, way.default),
            is_own=way.key in own,
        )
        for way in load_catalogue().ways.values()
        if instrument is None or instrument in way.instruments
    ]


def desk_out(settings: TeacherSettings) -> DeskOut:
    """The desk as it leaves the API."""
    owner = is_owner(settings.teacher)
    return DeskOut(
        ways=ways_out(settings.way_of_teaching, settings.way_of_teaching),
        measures=[
            MeasureOut(
                measure=name,
                words=spec.words,
                unit=spec.unit,
                cuts=list(settings.thresholds.get(name, spec.cuts)),
                starting=list(spec.cuts),
                is_own=name in settings.thresholds,
            )
            for name, spec in MEASURES.items()
            if name not in FIXED_MEASURES
        ],
        learning=_learning_out(settings),
        time_zone=settings.time_zone,
        usual_zone=django_settings.TIME_ZONE,
        letter_keys=settings.letter_keys,
        hand_tone=settings.hand_tone,
        is_owner=owner,
        copy_is_due=owner and is_copy_due(django_settings.DATABASE_FILE, datetime.now()),
    )


def _learning_out(settings: TeacherSettings) -> LearningOut:
    settled = settled_by(settings)
    return LearningOut(
        on=settings.learns,
        after=settings.learns_after,
        settled=[
            SettledOut(
                cause=cause.id,
                name=cause.name,
                confirmed=settled[cause.id].confirmed,
                refuted=settled[cause.id].refuted,
                starting=cause.prior,
                now=starting_value(cause, settled),
            )
            for cause in load_catalogue().causes.values()
            if cause.id in settled
        ],
    )


def helped_out(settings: TeacherSettings, found: StudioShares | None) -> HelpedOut:
    """`found`: None while it is not to be shown."""
    catalogue = load_catalogue()
    return HelpedOut(
        on=settings.shows_helped,
        shares=[
            ShareOut(
                cause=catalogue.causes[each.cause].name,
                exercise=catalogue.exercises[each.exercise].name,
                players=each.players,
                less=each.less,
                share=each.share,
                low=each.low,
                high=each.high,
                is_few=each.is_few,
            )
            for each in (found.shares if found else [])
        ],
        uncounted=found.uncounted if found else 0,
    )
