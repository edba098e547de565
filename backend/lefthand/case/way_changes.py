"""What a choice in how one teaches changes here, to be said."""

from collections.abc import Iterator

from lefthand.catalogue.ways import Way
from lefthand.values.measures import MEASURES
from lefthand.values.said import Said, evidence, exercise, said

# Rules and drills read these ways themselves.
ELSEWHERE = ("strength", "bass_fingering")


def way_changes(way: Way, value: str) -> Iterator[Said]:
    """Each change that this value makes, in the order in which a teacher meets them."""
    for name, grades in way.accepts.get(value, {}).items():
        yield said("way-accepts", label=evidence(name), how=said(f"grade-{max(grades)}"))
    for measure in way.cuts.get(value, {}):
        yield said("way-cuts", measure=MEASURES[measure].words)
    if way.prefers.get(value):
        yield said("way-prefers", exercises=tuple(map(exercise, way.prefers[value])))
    if way.puts_back.get(value):
        yield said("way-puts-back", exercises=tuple(map(exercise, way.puts_back[value])))
    if value in way.keeps_down:
        yield said("way-keeps-down")
    if way.key in ELSEWHERE:
        yield said(f"way-{way.key.replace('_', '-')}-{value.replace('_', '-')}")
    if way.says.get(value):
        yield said("way-says", count=len(way.says[value]))
