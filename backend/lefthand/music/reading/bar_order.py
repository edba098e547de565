"""In what order the bars of a part are played: repeats, endings, da capo and dal segno.

After a jump back repeats are not taken again and the last ending is (common practice). A jump to a
sign that is not there is not taken.
"""

import re
from collections.abc import Sequence
from xml.etree.ElementTree import Element

from lefthand.music.reading.piece import Bar, Sign

MOST_TIMES = 99
MOST_PLAYED = 4_000  # bars
MOST_ENDINGS = 20
LONGEST_GAP = 8  # bars from a bracket that is too short to its repeat
WORDS_BEFORE = 2  # bars that words may stand before the double bar they are meant at
NUMBERS = re.compile(r"\d{1,2}")
# Attributes of <sound>, and the words that say the same.
SOUNDS = {
    "segno": Sign.SEGNO,
    "coda": Sign.CODA,
    "tocoda": Sign.TO_CODA,
    "fine": Sign.FINE,
    "dacapo": Sign.DA_CAPO,
    "dalsegno": Sign.DAL_SEGNO,
}
WORDS = (
    (re.compile(r"\bD\. ?C\.|\bda capo\b|^D\.?C\.?\b", re.IGNORECASE), Sign.DA_CAPO),
    (re.compile(r"\bD\. ?S\.|\bdal segno\b|^D\.?S\.?\b", re.IGNORECASE), Sign.DAL_SEGNO),
    (re.compile(r"^to coda\b", re.IGNORECASE), Sign.TO_CODA),
    (re.compile(r"^fine\b", re.IGNORECASE), Sign.FINE),
)


def read_bar_line(element: Element, bar: Bar) -> None:
    """Repeats and endings of one `<barline>`."""
    repeat = element.find("repeat")
    if repeat is not None and repeat.get("direction") == "forward":
        bar.opens = True
    if repeat is not None and repeat.get("direction") == "backward":
        times = repeat.get("times", "2")
        bar.repeats = min(MOST_TIMES, int(times)) if times.isdigit() and len(times) < 4 else 2
        bar.closes = True
    ending = element.find("ending")
    if ending is not None and ending.get("type") == "start":
        told = NUMBERS.findall(ending.get("number", ""))[:MOST_ENDINGS]
        bar.endings = frozenset(int(number) for number in told)


def read_signs(element: Element, bar: Bar) -> None:
    """Signs of one `<direction>` or `<sound>`."""
    sounds = [element] if element.tag == "sound" else element.findall("sound")
    told = {SOUNDS[name] for sound in sounds for name in SOUNDS if sound.get(name)}
    for kind in element.findall("direction-type"):
        for words in kind.findall("words"):
            said = (words.text or "").strip()
            told |= {sign for pattern, sign in WORDS if pattern.search(said)}
        if kind.find("segno") is not None and Sign.DAL_SEGNO not in told:
            told.add(Sign.SEGNO)
        if kind.find("coda") is not None and Sign.TO_CODA not in told:
            told.add(Sign.CODA)
    bar.signs |= told


def settle(bars: Sequence[Bar], stopped: Sequence[int]) -> None:
    """What one sign says of other bars. `stopped`: bars where the bracket of an ending ends."""
    _spread_endings(bars, stopped)
    for sign in (Sign.DA_CAPO, Sign.DAL_SEGNO):
        _move_to_the_bar_line(bars, sign)
    codas = [bar for bar in bars if Sign.CODA in bar.signs]
    if len(codas) > 1 and not any(Sign.TO_CODA in bar.signs for bar in bars):
        codas[0].signs = codas[0].signs - {Sign.CODA} | {Sign.TO_CODA}


def _spread_endings(bars: Sequence[Bar], stopped: Sequence[int]) -> None:
    """To the end of its bracket; a bracket that is shorter than its ending goes on to the repeat
    before the next one."""
    begun: frozenset[int] = frozenset()
    for place, bar in enumerate(bars):
        bar.endings = begun = bar.endings or begun
        if place in stopped:
            begun = frozenset()
    for place in range(len(bars) - 1, 0, -1):
        if bars[place].repeats and not bars[place].endings and _begins_ending(bars, place + 1):
            short = _ending_before(bars, place)
            if short is not None:
                for bar in bars[short + 1 : place + 1]:
                    bar.endings = bars[short].endings


def _begins_ending(bars: Sequence[Bar], place: int) -> bool:
    return place < len(bars) and bool(bars[place].endings)


def _ending_before(bars: Sequence[Bar], place: int) -> int | None:
    """The last bar of an ending shortly before a repeat, nothing between them."""
    for at in range(place - 1, max(-1, place - 1 - LONGEST_GAP), -1):
        if bars[at].endings:
            return at
        if bars[at].repeats or bars[at + 1].opens:
            return None
    return None


def _move_to_the_bar_line(bars: Sequence[Bar], sign: Sign) -> None:
    """Words that stand a little before the double bar are meant at it."""
    for place in range(len(bars) - 1, -1, -1):
        if sign in bars[place].signs and not bars[place].closes:
            for at in range(place + 1, min(len(bars), place + 1 + WORDS_BEFORE)):
                if bars[at].closes:
                    bars[place].signs -= {sign}
                    bars[at].signs |= {sign}
                    break


def bar_order(bars: Sequence[Bar]) -> list[int] | None:
    """Places of the bars as they are played; None where that is more than 4,000."""
    order: list[int] = []
    at = start = 0
    turn, has_jumped = 1, False
    while at < len(bars):
        if len(order) >= MOST_PLAYED:
            return None
        bar = bars[at]
        is_after_endings = at > 0 and bars[at - 1].endings and not bar.endings
        if at != start and (bar.opens or is_after_endings):
            start, turn = at, 1
        if bar.endings and not _is_taken(bars, at, turn, has_jumped=has_jumped):
            at += 1
            continue
        order.append(at)
        if has_jumped and Sign.FINE in bar.signs:
            break
        coda = _place(bars, Sign.CODA)
        if has_jumped and Sign.TO_CODA in bar.signs and coda is not None:
            at = coda
            continue
        if bar.repeats and not has_jumped:
            if turn < _times(bars, at):
                at, turn = start, turn + 1
                continue
            start, turn = at + 1, turn if _begins_ending(bars, at + 1) else 1
        back = None if has_jumped else _back(bars, bar)
        if back is not None:
            has_jumped, at = True, back
            continue
        at += 1
    return order


def _back(bars: Sequence[Bar], bar: Bar) -> int | None:
    if Sign.DA_CAPO in bar.signs:
        return 0
    return _place(bars, Sign.SEGNO) if Sign.DAL_SEGNO in bar.signs else None


def _place(bars: Sequence[Bar], sign: Sign) -> int | None:
    return next((place for place, bar in enumerate(bars) if sign in bar.signs), None)


def _is_taken(bars: Sequence[Bar], at: int, turn: int, *, has_jumped: bool) -> bool:
    """The last ending is also that of all further turns, and after a jump."""
    is_last = _is_last(bars, at)
    if has_jumped:
        return is_last
    return turn in bars[at].endings or (is_last and turn > max(bars[at].endings))


def _is_last(bars: Sequence[Bar], at: int) -> bool:
    """No other ending follows this one, written or, behind a first one with its repeat, meant."""
    end = at
    while end + 1 < len(bars) and bars[end + 1].endings == bars[at].endings:
        end += 1
    is_first = bars[end].repeats > 0 and max(bars[at].endings) == 1
    return not is_first and not _begins_ending(bars, end + 1)


def _times(bars: Sequence[Bar], at: int) -> int:
    bar = bars[at]
    if bar.endings and not _is_last(bars, at):
        return max(bar.repeats, max(bar.endings) + 1)
    return bar.repeats
