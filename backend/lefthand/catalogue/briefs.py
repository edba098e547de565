"""What stands on paper and phone of an exercise: few words, told by rung and instrument."""

from collections.abc import Mapping
from dataclasses import dataclass

from lefthand.values.knowledge_file import Record
from lefthand.values.vocabulary import Instrument

# Budgets of a page that a tired parent reads (working judgement, no source).
STEPS = 3
WORDS_A_STEP = 9
WORDS_OF = {"feel": 7, "stop": 7, "see": 9}


@dataclass(frozen=True, slots=True)
class Brief:
    """`feel` goes on after "Feels like", `stop` after "Stop when"; `see` is what a helper who reads
    no music looks at."""

    steps: tuple[str, ...]
    on_rung: Mapping[int, tuple[str, ...]]
    on_instrument: Mapping[Instrument, tuple[str, ...]]
    feel: str
    stop: str
    see: str

    def steps_of(self, rung: int, instrument: Instrument) -> tuple[str, ...]:
        """The three steps on a rung, counted from 1."""
        return self.on_instrument.get(instrument) or self.on_rung.get(rung) or self.steps


def read_brief(record: Record) -> Brief:
    """One record of the file. Raises CatalogueError for what is too long for a page."""
    brief = Brief(
        steps=_steps(record, record.words("steps")),
        on_rung={
            int(rung): _steps(record, steps) for rung, steps in record.take("rungs", {}).items()
        },
        on_instrument={
            Instrument(name): _steps(record, steps)
            for name, steps in record.take("by_instrument", {}).items()
        },
        feel=_short(record, "feel"),
        stop=_short(record, "stop"),
        see=_short(record, "see"),
    )
    record.done()
    return brief


def _steps(record: Record, steps: list[str]) -> tuple[str, ...]:
    if len(steps) != STEPS:
        record.fail(f"steps: expected {STEPS}, got {len(steps)}")
    for step in steps:
        if len(step.split()) > WORDS_A_STEP:
            record.fail(f"steps: more than {WORDS_A_STEP} words: {step!r}")
    return tuple(steps)


def _short(record: Record, field: str) -> str:
    text = record.text(field)
    if len(text.split()) > WORDS_OF[field]:
        record.fail(f"{field}: more than {WORDS_OF[field]} words: {text!r}")
    return text
