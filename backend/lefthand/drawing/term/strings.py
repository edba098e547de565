"""The strings of the term picture, each with its sheath, its stairs and its answer."""

from itertools import pairwise

from lefthand.change.term import Stretch, TermString
from lefthand.drawing.term.ground import Ground, Row, band, line, path, room_for, text, wrapped

HAIR = 1.7
WOUND_FROM = 7
WOUND_EDGE = 3
WORDS_FROM = 18  # px of thickness that hold a word
STRINGS_SHOWN = 4
STAIR_BELOW = 12
GAP = 14
NAME_ABOVE = 28  # where the name stands over its string


def shown_strings(ground: Ground) -> tuple[list[TermString], list[TermString]]:
    """(drawn, folded): free ones are folded into a line where there are more than four."""
    strings = list(ground.term.strings)
    if len(strings) <= STRINGS_SHOWN:
        return strings, []
    free = [each for each in strings if each.is_free]
    drawn = [each for each in strings if not each.is_free]
    room = max(0, STRINGS_SHOWN - len(drawn))
    kept = free[len(free) - room :] if room else []
    drawn = [each for each in strings if each in drawn or each in kept][: STRINGS_SHOWN + 2]
    return drawn, [each for each in strings if each not in drawn]


def row_height(ground: Ground, strings: list[TermString]) -> float:
    """How high a string is with its stairs and labels."""
    rises = max((rise_of(each) for each in strings), default=0) * ground.at.riser
    head = NAME_ABOVE if ground.is_narrow else 0
    return head + ground.at.thick + STAIR_BELOW + rises + ground.at.small + 6 + GAP


def rise_of(string: TermString) -> int:
    return max((rung for _, rung, _, _ in string.steps), default=1) - 1


def draw_string(ground: Ground, string: TermString, top: float, *, is_first: bool) -> None:
    """One string, its upper edge at `top` (below its name on a narrow picture)."""
    head = NAME_ABOVE if ground.is_narrow else 0
    upper = top + head
    middle = upper + ground.at.thick / 2
    ground.rows.append(Row("string", string.cause, middle))
    _draw_band(ground, string, middle, is_first=is_first)
    _draw_stairs(ground, string, upper)
    _draw_names(ground, string, upper, middle)
    for lesson in ground.lessons:
        day = ground.term.lessons[lesson]
        half = min(ground.week_width / 2, 22)
        chance = round(100 * string.probability[lesson])
        why = string.why[lesson] or "not looked at"
        ground.mark(
            ground.x(day) - half, upper - 4, 2 * half, ground.at.thick + 8,
            f"{string.name}, {ground.say(day)}: {why}. {chance} % by all lessons.",
            lesson=lesson, cause=string.cause,
        )  # fmt: skip


def _draw_band(ground: Ground, string: TermString, middle: float, *, is_first: bool) -> None:
    term, thick = ground.term, ground.at.thick
    known = next((n for n, looked in enumerate(string.looked) if looked), None)
    shown = [n for n in range(len(term.lessons)) if known is not None and n >= known]
    first_day = term.lessons[shown[0]] if shown else ground.end
    if first_day > ground.start:
        ground.parts.append(
            line(ground.x(ground.start), middle, ground.x(first_day), middle, "line", 1.6, "1.5 6")
        )
    if not shown:
        return
    points = _inside(ground, [(term.lessons[n], n) for n in shown])
    xs = [ground.x(day) for day, _ in points]
    sheath = [string.probability[n] * thick for _, n in points]
    core = [string.trouble[n] * thick for _, n in points]
    ground.parts += [
        path(band(xs, sheath, middle, HAIR), "sheath"),
        path(band(xs, core, middle, HAIR), "ink"),
    ]
    wound = [max(0.0, each - WOUND_EDGE) if each >= WOUND_FROM else 0.0 for each in core]
    if max(wound) > 0:
        ground.parts.append(path(band(xs, wound, middle, 0), "wound"))
    ground.parts.append(line(xs[0], middle, xs[-1], middle, "ink", HAIR))
    if is_first:
        _say_thick_and_thin(ground, core, xs, middle)


def _inside(ground: Ground, points: list[tuple[int, int]]) -> list[tuple[int, int]]:
    """(day, lesson) inside the window, with the last one before it at its start and the last one
    held until its end."""
    before = [n for day, n in points if day < ground.start]
    inside = [(day, n) for day, n in points if ground.shows(day)]
    if before:
        inside = [(ground.start, before[-1]), *inside]
    return [*inside, (ground.end, inside[-1][1])] if inside else []


def _say_thick_and_thin(ground: Ground, core: list[float], xs: list[float], middle: float) -> None:
    """Says *trouble* inside the thick end and *free* over the hair, so that no key is needed."""
    size = ground.at.small + 1
    need = room_for("trouble", size) + 16
    reach = next((x for x, each in zip(xs, core, strict=True) if each < WORDS_FROM), xs[-1])
    if core[0] > WORDS_FROM and reach - xs[0] > need:
        ground.parts.append(text(xs[0] + 10, middle + 6, "trouble", size, "paper", is_bold=True))
    if core[-1] < WOUND_FROM:
        below = middle + 19 if ground.is_narrow else middle - 8
        ground.parts.append(text(xs[-1] - 2, below, "free", size, "soft", anchor="end"))


def _draw_stairs(ground: Ground, string: TermString, upper: float) -> None:
    """Green while it is worked on, a rise a step."""
    riser = ground.at.riser
    base = upper + ground.at.thick + STAIR_BELOW + rise_of(string) * riser
    for number_, stretch in enumerate(string.focus):
        if stretch.end <= ground.start or stretch.start >= ground.end:
            continue
        for told in _stairs(ground, string, stretch, base):
            ground.parts.append(
                f'<path d="{told}" class="s-green" fill="none" stroke-width="{ground.at.stair}" '
                'stroke-linejoin="round" stroke-linecap="round"/>'
            )
        words = _focus_words(ground, string, stretch.end, stretch.words)
        left, right = ground.x(stretch.start), ground.x(stretch.end)
        said = f"Worked on from {ground.say(stretch.start)} to {ground.say(stretch.end)}: {words}"
        ground.mark(
            left, base - riser * rise_of(string) - 6, right - left, 22, said, cause=string.cause
        )
        if number_ == len(string.focus) - 1:
            _label_stairs(ground, words, left, right, base)


def _stairs(ground: Ground, string: TermString, stretch: Stretch, base: float) -> list[str]:
    """A line an exercise: another one begins a stair of its own."""
    cuts = [
        stretch.start,
        *(day for day, _, _, _ in string.steps if stretch.start < day < stretch.end),
        stretch.end,
    ]
    told: list[str] = []
    before = None
    for start, end in pairwise(cuts):
        rung, exercise = _step(string, start)
        y = base - (rung - 1) * ground.at.riser
        if exercise == before:
            told[-1] += f"L{ground.x(start):.1f} {y:.1f}L{ground.x(end):.1f} {y:.1f}"
        else:
            left = ground.x(start) + (ground.at.stair if told else 0)
            told.append(f"M{left:.1f} {y:.1f}L{ground.x(end):.1f} {y:.1f}")
        before = exercise
    return told


def _step(string: TermString, day: int) -> tuple[int, str]:
    return next(((r, name) for at, r, _, name in reversed(string.steps) if at <= day), (1, ""))


def _focus_words(ground: Ground, string: TermString, end: int, exercise: str) -> str:
    step = next(((r, of) for day, r, of, _ in reversed(string.steps) if day < end), None)
    told = (
        f"{exercise}: step {step[0]} of {step[1]}" if exercise and step else exercise or "in focus"
    )
    if exercise in string.helped and not ground.is_narrow:
        told += ", less after it"
    return told


def _label_stairs(ground: Ground, words: str, left: float, right: float, base: float) -> None:
    size = ground.at.small
    need = room_for(words, size)
    if right + 10 + need < ground.at.right:
        ground.parts.append(text(right + 10, base - ground.at.riser, words, size, "green"))
        return
    middle = min(max((left + right) / 2, ground.at.left + need / 2), ground.at.right - need / 2)
    ground.parts.append(text(middle, base + size + 3, words, size, "green", anchor="middle"))


def _draw_names(ground: Ground, string: TermString, upper: float, middle: float) -> None:
    at = ground.at
    if ground.is_narrow:
        ground.parts += [
            text(at.left, upper - 9, string.name, at.name, is_bold=True, halo=True),
            text(
                at.right,
                upper - 9,
                string.answer,
                at.answer,
                anchor="end",
                is_serif=True,
                halo=True,
            ),
        ]
        return
    ground.parts += _stacked(wrapped(string.name, 17), at.left - 16, middle, at.name, bold=True)
    if at.answer:
        ground.parts += _stacked(
            wrapped(string.answer, 13), at.right + 16, middle, at.answer, bold=False
        )


def _stacked(lines: list[str], x: float, middle: float, size: float, *, bold: bool) -> list[str]:
    step = size * 1.2
    first = middle + size * 0.33 - (len(lines) - 1) * step / 2
    anchor = "end" if bold else "start"
    return [
        text(x, first + n * step, each, size, anchor=anchor, is_bold=True, is_serif=not bold)
        for n, each in enumerate(lines)
    ]
