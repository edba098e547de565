"""What lies over and under the strings: months, lessons, breaks, harder pieces, stops, practice,
pain and measures."""

from calendar import monthrange
from collections.abc import Sequence
from datetime import date

from lefthand.change.term import TermMeasure
from lefthand.drawing.term.ground import WEEK, Ground, Row, line, number, room_for, text, wrapped

DAYS_WIDE_FROM = 30  # px a week from which every day has its own stroke
MEASURES_SHOWN = 2
STOP_PAIN = 4


def draw_months(ground: Ground) -> None:
    """Months over the week line, and a tick for each lesson."""
    at, term = ground.at, ground.term
    size = 15 if ground.is_narrow else 18
    month = None
    for day in range(ground.start, ground.end):
        here = term.date_of(day)
        if here.month == month:
            continue
        is_first = month is None
        month = here.month
        long = here.strftime("%B")
        rest = ground.x(day + _days_left(here)) - ground.x(day)
        words = long if rest > room_for(long, size) + 8 else long[:3]
        if rest > room_for(words, size) + 4:
            ground.parts.append(
                text(ground.x(day) + (0 if is_first else 5), 18, words, size, "soft", is_serif=True)
            )
        if not is_first:
            ground.parts.append(line(ground.x(day), 6, ground.x(day), 34, "line"))
    ground.parts.append(line(at.left, 34, at.right, 34, "line"))
    for lesson in ground.lessons:
        x = ground.x(term.lessons[lesson])
        ground.parts.append(line(x, 29, x, 39, "ink", 1.5))


def _days_left(day: date) -> int:
    """Until the first of the next month."""
    return monthrange(day.year, day.month)[1] - day.day + 1


def draw_events(ground: Ground, rows: Sequence[float], bottom: float) -> None:
    """Breaks behind the strings; harder pieces and stops over each; words in their own lane.
    `rows`: the upper edges of the strings."""
    lane = _Lane(ground)
    term = ground.term
    top = rows[0] if rows else bottom
    for stop in term.stops:
        if stop.end >= ground.start and stop.start <= ground.end:
            left, right = ground.x(stop.start), ground.x(stop.end)
            ground.over.append(
                f'<rect x="{number(left)}" y="30" width="{number(max(right - left, 4))}" '
                'height="9" class="f-red"/>'
            )
            for x in (left, right):
                ground.over += _over_strings(ground, rows, x, "red", 2.5)
            said = f"Stopped {ground.say(stop.start)} to {ground.say(stop.end)}: {stop.words}"
            ground.mark(left - 4, 26, max(right - left, 4) + 8, 18, said)
            lane.say(left, ["stopped"], "red", is_bold=True)
    for lesson in term.harder:
        day = _given(term.lessons, lesson)
        if ground.shows(day):
            x = ground.x(day)
            ground.over += _over_strings(ground, rows, x - 5, "ink", 1.2)
            ground.over += _over_strings(ground, rows, x, "ink", 3)
            ground.mark(x - 12, top - 5, 18, bottom - top, f"A harder piece from {ground.say(day)}")
            lane.say(x - 5, ["harder piece", "harder"], "ink")
    for each in term.breaks:
        if each.end > ground.start and each.start < ground.end:
            left, right = ground.x(each.start), ground.x(each.end)
            ground.behind.append(
                f'<rect x="{number(left)}" y="{number(top - 6)}" width="{number(right - left)}" '
                f'height="{number(bottom - top + 6)}" fill="url(#t-rest)"/>'
            )
            said = f"{ground.say(each.start)} to {ground.say(each.end)}: {each.words}"
            ground.mark(left, 40, right - left, 20, said)
            lane.say(left, [each.words, "break"], "soft")


def _over_strings(
    ground: Ground, rows: Sequence[float], x: float, kind: str, width: float
) -> list[str]:
    return [line(x, upper - 5, x, upper + ground.at.thick + 5, kind, width) for upper in rows]


def _given(lessons: Sequence[int], lesson: int) -> int:
    """The day on which the piece was given: the lesson before the one in which it is heard."""
    return lessons[max(0, lesson - 1)]


class _Lane:
    """The lane of events: who comes first is said first, the others where there is room."""

    def __init__(self, ground: Ground) -> None:
        self._ground = ground
        self._taken: list[tuple[float, float]] = []

    def say(self, x: float, choices: list[str], kind: str, *, is_bold: bool = False) -> None:
        size = self._ground.at.small
        for words in choices:
            need = room_for(words, size) + 10
            left = min(x, self._ground.at.right - need + 8)
            if x - left > 40 or any(left < b and left + need > a for a, b in self._taken):
                continue
            self._taken.append((left, left + need))
            self._ground.over.append(text(left, 57, words, size, kind, is_bold=is_bold, halo=True))
            return


def draw_practice(ground: Ground, top: float) -> float:
    """Strokes for days at home, pain below them; returns where the next lane begins."""
    if not ground.term.practice and not ground.term.pains:
        return top
    at = ground.at
    height = 30 if ground.is_narrow else 34
    label = top + 12 if ground.is_narrow else top + height - 8
    anchor = "start" if ground.is_narrow else "end"
    x = at.left if ground.is_narrow else at.left - 16
    ground.parts.append(text(x, label, "Practice days", at.small, "soft", anchor=anchor))
    foot = top + height + (16 if ground.is_narrow else 6)
    ground.rows.append(Row("practice", "", foot - height / 3))
    done = dict(ground.term.practice)
    first = ground.start // WEEK
    for week in range(first, ground.end // WEEK + 1):
        _draw_week(ground, week, done, foot)
    return _draw_pains(ground, foot) + 12


def _draw_week(ground: Ground, week: int, done: dict[int, str], foot: float) -> None:
    days = [day for day in range(WEEK * week, WEEK * week + WEEK) if ground.shows(day)]
    if not days:
        return
    whole = sum(done.get(day) == "done" for day in days)
    some = sum(done.get(day) == "partly" for day in days)
    if ground.week_width > DAYS_WIDE_FROM:
        for day in days:
            x = ground.x(day + 0.5)
            if day in done:
                ground.parts.append(
                    line(x, foot, x, foot - (24 if done[day] == "done" else 11), "ink", 3)
                )
            else:
                ground.parts.append(
                    f'<circle cx="{number(x)}" cy="{number(foot - 1)}" r="1.2" class="f-line"/>'
                )
    else:
        for n in range(whole + some):
            y = foot - 2 - n * 4.2
            kind = "ink" if n < whole else "line"
            ground.parts.append(
                line(ground.x(days[0]) + 1.5, y, ground.x(days[-1] + 1) - 1.5, y, kind, 2.4)
            )
    if whole or some:
        said = f"Week of {ground.say(days[0])}: practised on {whole + some} days"
        left = ground.x(days[0])
        ground.mark(left, foot - 28, ground.x(days[-1] + 1) - left, 32, said)


def _draw_pains(ground: Ground, foot: float) -> float:
    pains = [(day, level, where) for day, level, where in ground.term.pains if ground.shows(day)]
    free = -1e9
    for day, level, where in pains:
        x, y = ground.x(day + 0.5), foot + 14
        kind = "red" if level >= STOP_PAIN else "ink"
        ground.over.append(
            f'<path d="M{number(x)} {number(y - 9)}l7 9l-7 9l-7 -9Z" class="f-{kind}"/>'
        )
        number_told = f" {level}" if level else ""  # "less than before" is no number
        words = f"pain{number_told}, {where}" if where else f"pain{number_told}"
        told = f"pain{number_told and f'{number_told} of 10'}{where and f', {where}'}"
        ground.mark(x - 10, y - 12, 20, 24, f"{ground.say(day)}: {told}")
        for said in (words, str(level or "pain")):
            need = room_for(said, ground.at.small) + 16
            is_left = x + need > ground.at.right
            left = x - 12 - need if is_left else x
            if left >= free:
                at = x - 12 if is_left else x + 12
                anchor = "end" if is_left else "start"
                ground.over.append(
                    text(at, y + 5, said, ground.at.small, kind, anchor=anchor, halo=True)
                )
                free = x + (8 if is_left else need)
                break
    return foot + (28 if pains else 4)


def draw_measures(ground: Ground, top: float) -> float:
    """The newest measures, open inside the band of chance and filled when real."""
    inside = [
        each
        for each in ground.term.measures
        if sum(ground.shows(day) for day, _ in each.points) > 1
    ]
    for each in inside[-MEASURES_SHOWN:]:
        top = _draw_measure(ground, each, top)
    return top


def _draw_measure(ground: Ground, measure: TermMeasure, top: float) -> float:
    at = ground.at
    head = 22 if ground.is_narrow else 0
    height = 66
    upper = top + head + 6
    values = [value for _, value in measure.points]
    first = values[0]
    reach = measure.least or 0.0
    low, high = min(*values, first - reach), max(*values, first + reach)
    span = high - low or 1.0

    def y(value: float) -> float:
        return upper + height - 6 - (value - low) / span * (height - 12)

    points = [(day, value) for day, value in measure.points if ground.shows(day)]
    left = ground.x(points[0][0])
    if measure.least is not None:
        edge, foot = y(first + reach), y(first - reach)
        ground.behind.append(
            f'<rect x="{number(left)}" y="{number(edge)}" width="{number(at.right - left)}" '
            f'height="{number(foot - edge)}" class="f-sheath t-chance"/>'
        )
    ground.parts.append(
        '<polyline fill="none" class="s-ink" stroke-width="1.4" points="'
        + " ".join(f"{number(ground.x(day))},{number(y(value))}" for day, value in points)
        + '"/>'
    )
    for day, value in points:
        is_real = measure.least is not None and abs(value - first) > measure.least
        kind = "ink" if is_real else "paper"
        ground.parts.append(
            f'<circle cx="{number(ground.x(day))}" cy="{number(y(value))}" r="5" '
            f'class="f-{kind} s-ink" stroke-width="2"/>'
        )
        real = ", a real change" if is_real else ""
        said = f"{measure.label}, {ground.say(day)}: {value:g} {measure.unit}{real}"
        ground.mark(ground.x(day) - 9, y(value) - 9, 18, 18, said)
    _name_measure(ground, measure, upper, height)
    return upper + height + 4


def _name_measure(ground: Ground, measure: TermMeasure, upper: float, height: float) -> None:
    at = ground.at
    if ground.is_narrow:
        ground.parts += [
            text(at.left, upper - 8, measure.label, at.small, "soft"),
            text(at.right, upper - 8, measure.answer, at.small, anchor="end", is_serif=True),
        ]
        return
    lines = [*wrapped(measure.label, 20)[:2], "pale: may be chance"]
    middle = upper + height / 2
    ground.rows.append(Row("measure", measure.label, middle))
    for n, words in enumerate(lines):
        y = middle + 6 + (n - (len(lines) - 1) / 2) * 20
        ground.parts.append(text(at.left - 16, y, words, at.small, "soft", anchor="end"))
    for n, words in enumerate(wrapped(measure.answer, 14) if at.answer else []):
        ground.parts.append(
            text(at.right + 16, middle + 6 + n * 20, words, at.small + 2, is_serif=True)
        )
