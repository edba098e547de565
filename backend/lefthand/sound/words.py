"""What a take tells, in one sentence as a teacher would say it. Give-or-take is twice the standard
error, within which 95 of 100 such takes lie."""

from collections.abc import Iterator, Mapping

from lefthand.sound.findings import (
    EVEN_RISE,
    FOURTH,
    QUICKEST,
    SHRINKS,
    Beside,
    fourth_cents,
    is_slow_and_fast,
    moved_upper,
    neighbour_shares,
    pressure_slack,
    rise_of,
    upper_of,
    vibrato_shares,
)
from lefthand.sound.slips import Slipped
from lefthand.sound.take import REFUSAL_WORDS, Take

NAMES: Mapping[int, str] = {0: "open string", 1: "first", 2: "second", 3: "third", 4: "fourth"}
IN_TUNE = 5.0  # cents: less is hardly heard
WIDE, NARROW = 0.7, 0.25  # shares of the others' vibrato
RINGS, SILENT = 0.8, 0.2
SLIP_WORDS: Mapping[Slipped, tuple[str, str]] = {
    Slipped.TWICE: ("One note twice", "Notes twice"),
    Slipped.LEFT_OUT: ("One note left out", "Notes left out"),
    Slipped.STOPPED: ("The line stopped once", "The line stopped"),
}


def told(take: Take, evidence: str) -> str:
    """The sentence for the check that the take was asked for, or why it tells nothing."""
    if take.reason is not None:
        return REFUSAL_WORDS[take.reason]
    tellers = {
        "fourth.low": _fourth,
        "vibrato.narrow": _vibrato,
        "neighbour.muted": _neighbour,
        "press.excess": _pressure,
        "fades.early": _tiring,
    }
    sentence = tellers.get(evidence, _evenness)(take)
    return " ".join([sentence, *_slips(take)])


def _slips(take: Take) -> Iterator[str]:
    """Each kind of slip once, with its bars; a slip is told and counts for nothing."""
    for kind, words in SLIP_WORDS.items():
        bars = [take.score.notes[slip.place].bar for slip in take.slips if slip.kind is kind]
        if bars:
            where = ", ".join(map(str, sorted(set(bars))))
            yield f"{words[len(bars) > 1]}, bar{'s' if len(set(bars)) > 1 else ''} {where}."


def _fourth(take: Take) -> str:
    cents = fourth_cents(take)
    if cents is None:
        return "Too few notes of the fourth were clear: play it once more."
    give = 2 * take.fingers[FOURTH].uncertainty
    if abs(cents) < max(IN_TUNE, give):
        return f"The fourth is in tune, give or take {give:.0f} cents."
    return f"The fourth is {off_words(cents)}, give or take {give:.0f}."


def off_words(cents: float) -> str:
    return f"{abs(cents):.0f} cents {'low' if cents < 0 else 'high'}"


def _vibrato(take: Take) -> str:
    shares = vibrato_shares(take)
    widths = {finger: found.width for finger, found in take.vibrato.items()}
    if not shares:
        return "No vibrato could be heard." if widths else "No note was held for long enough."
    worst = min(shares, key=lambda finger: shares[finger])
    if shares[worst] >= WIDE:
        return f"All fingers swing alike, about {_usual(widths):.0f} cents wide."
    if widths[worst] == 0:
        return f"No vibrato on the {NAMES[worst]}; the others swing {_usual(widths):.0f} cents."
    return (
        f"The {NAMES[worst]} swings {widths[worst]:.0f} cents wide, "
        f"{100 * shares[worst]:.0f} % of the other fingers."
    )


def _usual(widths: Mapping[int, float]) -> float:
    swinging = sorted(width for width in widths.values() if width > 0)
    return swinging[len(swinging) // 2]


def _neighbour(take: Take) -> str:
    shares = neighbour_shares(take)
    if not shares:
        return "It cannot be told here whether the open string rings."
    silent = [f for f, share in shares.items() if share <= SILENT]
    halves = [f for f, share in shares.items() if SILENT < share < RINGS]
    if not silent and not halves:
        return "The open string rings beside every finger."
    parts = []
    if silent:
        parts.append(f"silent beside the {_list(silent)}")
    if halves:
        parts.append(f"only part of the time beside the {_list(halves)}")
    return f"The open string is {', '.join(parts)}."


def _list(fingers: list[int]) -> str:
    *most, last = (NAMES[finger] for finger in fingers)
    return f"{', '.join(most)} and {last}" if most else last


def _pressure(take: Take) -> str:
    slack = pressure_slack(take)
    if not slack:
        return "The tone never broke: lighten until it does."
    most = min(slack, key=lambda finger: slack[finger])
    return f"The {NAMES[most]} still sounds clear at {100 * slack[most]:.0f} % of its usual weight."


def _tiring(take: Take) -> str:
    if take.tightens_from is None:
        return "Too few notes to tell where it tightens."
    if take.tightens_from >= 1:
        return "It does not tighten before the end."
    return f"It tightens after {100 * take.tightens_from:.0f} % of the passage."


def _evenness(take: Take) -> str:
    found = take.evenness
    if found is None:
        return "Too few slurred steps were clear to tell how even it is."
    if found.cv <= found.least:
        return f"Even, as far as can be told at this speed ({found.least:.0f} %)."
    sentence = f"Notes come {found.cv:.0f} % early or late, give or take "
    sentence += f"{2 * found.uncertainty:.0f}"
    if found.worst_pair is not None:
        one, other = found.worst_pair
        return f"{sentence}, most between {NAMES[one]} and {NAMES[other]}."
    return f"{sentence}."


def told_of_two(slow: Beside, fast: Beside) -> str:
    """What a slow and a fast take of one drill tell together."""
    if not is_slow_and_fast(slow, fast):
        if fast.speed > QUICKEST:
            return "The fast take was too fast to be measured."
        return "The fast take was hardly faster than the slow one: play it once more."
    parts = [*_rise(slow, fast), *_upper(slow, fast)]
    sentence = "; ".join(parts)
    return f"{sentence[:1].upper()}{sentence[1:]}." if sentence else ""


def _rise(slow: Beside, fast: Beside) -> Iterator[str]:
    rise, give = rise_of(slow, fast)
    if rise is None:
        return
    if rise < EVEN_RISE:
        yield "as even fast as slow"
        return
    perhaps = "" if rise > give else "perhaps "
    yield f"{perhaps}less even when fast, by {rise:.0f} %, give or take {give:.0f}"


def _upper(slow: Beside, fast: Beside) -> Iterator[str]:
    """Of third and fourth, those that this hand has."""
    moved, give = moved_upper(slow, fast)
    if moved is None:
        return
    fingers = upper_of(slow, fast)
    named, many = _list(fingers), len(fingers) > 1
    if moved >= -SHRINKS:
        yield f"{named} {'keep their' if many else 'keeps its'} place"
        return
    sinks = "sink" if many else "sinks"
    perhaps = "" if -moved > give else "perhaps "
    yield f"{named} {perhaps}{sinks} by {-moved:.0f} cents, give or take {give:.0f}"
