"""A trial told by two numbers: the same thing measured before and after one thing was changed."""

from dataclasses import dataclass

from lefthand.values.measures import MEASURES, METHOD_SEM, REAL_CHANGE
from lefthand.values.said import Said, said
from lefthand.values.vocabulary import Grade


@dataclass(frozen=True, slots=True)
class Pair:
    """`before`, `after`: in the unit of `measure`."""

    measure: str
    before: float
    after: float

    @property
    def gain(self) -> float:
        """How much better it got, less than 0 for worse."""
        sign = -1 if MEASURES[self.measure].higher_is_worse else 1
        return sign * (self.after - self.before)

    @property
    def is_told(self) -> bool:
        """The difference is more than two measurings of the same hand may have (see
        `REAL_CHANGE`); any is, where the method's error is not known."""
        method = METHOD_SEM.get(self.measure)
        return method is None or abs(self.gain) > REAL_CHANGE * method[0]

    @property
    def eases(self) -> bool:
        return self.is_told and self.gain > 0

    def told(self, before: int) -> Said:
        """What changed, as a sentence; `before`: the grade of the number before."""
        if before == Grade.NONE:
            return said("pair-right")
        if not self.is_told:
            return said("pair-chance")
        name = "pair-gain-" if self.gain > 0 else "pair-loss-"
        return said(name + self.measure.replace("_", "-"), by=round(abs(self.gain)))
