"""The term picture: well formed, inside its page, and true to what it says."""

import random
import re
import xml.etree.ElementTree as ET
from dataclasses import replace
from datetime import timedelta
from unittest import TestCase

from lefthand.catalogue.catalogue import load_catalogue
from lefthand.change.change import change_of
from lefthand.change.term import Stretch, TermFacts, TermMeasure, term_of
from lefthand.drawing.term.ground import Ground, Size, band
from lefthand.drawing.term.picture import LIGHT, Span, spans_of, term_picture, window
from lefthand.simulation.course_report import course_of
from lefthand.simulation.courses import Kind, draw_course
from lefthand.values.vocabulary import Instrument

CATALOGUE = load_catalogue()


def a_term(kind=Kind.RELAPSE, lessons=12, seed=3, **facts):
    true = draw_course(kind, CATALOGUE, Instrument.VIOLIN, random.Random(seed), lessons=lessons)
    course = course_of(true, Instrument.VIOLIN, focus=(true.causes[true.first],))
    return term_of(change_of(course, CATALOGUE), CATALOGUE, TermFacts(**facts))


def thickness(svg, x, kind="ink"):
    """How thick the first string is at an x, by its outline."""
    outline = re.search(rf'<path d="([^"]+)" class="f-{kind}"', svg)[1]
    points = [tuple(map(float, pair)) for pair in re.findall(r"(-?[\d.]+) (-?[\d.]+)", outline)]
    near = sorted(points, key=lambda point: abs(point[0] - x))[:2]
    return abs(near[0][1] - near[1][1])


class Picture(TestCase):
    def test_it_is_well_formed_and_inside_its_page_in_every_size_and_span(self):
        for lessons in (6, 12, 60):
            term = a_term(lessons=lessons)
            for size in Size:
                for span in Span:
                    with self.subTest(lessons=lessons, size=size, span=span):
                        found = term_picture(term, size, span)
                        root = ET.fromstring(found.svg)
                        self.assertEqual(float(root.get("width")), round(found.width, 1))
                        for text in root.iter("{http://www.w3.org/2000/svg}text"):
                            self.assertTrue(0 <= float(text.get("x")) <= found.width)
                            self.assertTrue(0 <= float(text.get("y")) <= found.height)
                        for mark in found.marks:
                            self.assertGreaterEqual(mark.width, 0)
                            self.assertTrue(mark.words)

    def test_a_string_is_as_thick_as_its_trouble(self):
        term = a_term(Kind.STUCK)
        string = max(term.strings, key=lambda each: max(each.trouble))
        term = replace(term, strings=[string])
        ground = Ground(term, Size.WIDE, *window(term, Span.ALL))
        svg = term_picture(term, Size.WIDE, Span.ALL).svg
        for lesson, day in enumerate(term.lessons):
            if any(string.looked[: lesson + 1]):
                with self.subTest(lesson=lesson):
                    expected = max(1.7, 40 * string.trouble[lesson])
                    self.assertAlmostEqual(thickness(svg, ground.x(day)), expected, delta=0.3)

    def test_a_lesson_says_its_grades_and_leads_to_it(self):
        term = a_term()
        marks = term_picture(term, Size.WIDE, Span.ALL).marks
        lessons = {mark.lesson for mark in marks if mark.lesson is not None}
        self.assertEqual(lessons, set(range(len(term.lessons))))
        told = [mark.words for mark in marks if mark.lesson == 0]
        self.assertTrue(any(word in told[0] for word in ("slight", "clear", "strong", "not")))

    def test_what_is_not_looked_at_yet_is_dotted(self):
        term = a_term()
        string = replace(term.strings[0], looked=[False] * 4 + [True] * (len(term.lessons) - 4))
        svg = term_picture(replace(term, strings=[string]), Size.WIDE, Span.ALL).svg
        self.assertIn('stroke-dasharray="1.5 6"', svg)

    def test_more_than_four_strings_fold_what_is_free_and_hide_no_trouble(self):
        term = a_term()
        one = term.strings[0]
        free = replace(one, word="gone", answer="gone", is_focus=False)
        stuck = replace(one, word="stuck", answer="stuck", is_focus=False)
        strings = [replace(free, name=f"Free {n}") for n in range(4)]
        strings += [replace(stuck, name=f"Stuck {n}") for n in range(3)]
        found = term_picture(replace(term, strings=strings), Size.WIDE)
        self.assertEqual(len(found.folded), 3)
        self.assertTrue(all(name.startswith("Free") for name in found.folded))
        for name in found.folded:
            self.assertIn(name, found.svg)

    def test_red_is_for_safety_alone(self):
        term = a_term()
        self.assertNotIn("f-red", term_picture(term, Size.WIDE).svg)
        self.assertNotIn("s-red", term_picture(term, Size.WIDE).svg)
        mild = replace(term, pains=[(term.last - 7, 3, "thumb")])
        self.assertNotIn("f-red", term_picture(mild, Size.WIDE).svg)
        hurt = replace(term, pains=[(term.last - 7, 5, "thumb")])
        self.assertIn("f-red", term_picture(hurt, Size.WIDE).svg)
        stopped = replace(term, stops=[Stretch(term.last - 14, term.last - 7, "numbness")])
        found = term_picture(stopped, Size.WIDE)
        self.assertIn("stopped", found.svg)
        self.assertTrue(any("numbness" in mark.words for mark in found.marks))

    def test_a_stop_and_a_pain_after_all_practice_are_in_the_picture(self):
        first = a_term()
        after = first.date_of(first.last + 3)
        for facts in ({"stops": [(after, None, "numbness")]}, {"pains": [(after, 5, "thumb")]}):
            with self.subTest(facts):
                found = term_picture(a_term(**facts), Size.WIDE)
                self.assertIn("f-red", found.svg)
                for mark in found.marks:
                    self.assertLessEqual(mark.x, found.width)

    def test_a_measure_is_filled_only_where_the_change_is_real(self):
        term = a_term()
        points = [(0, 10.0), (14, 12.0), (28, 25.0)]
        measure = TermMeasure("Fingertip joint", "degrees", points, 8.0, "method", "better, real")
        svg = term_picture(replace(term, measures=[measure]), Size.WIDE, Span.ALL).svg
        self.assertEqual(len(re.findall(r'<circle [^>]*class="f-paper s-ink"', svg)), 2)
        self.assertEqual(len(re.findall(r'<circle [^>]*class="f-ink s-ink"', svg)), 1)

    def test_what_teachers_type_cannot_become_a_tag(self):
        term = a_term()
        bad = replace(term.strings[0], name='<script>alert("x")</script>', why=["<b>"] * 12)
        svg = term_picture(replace(term, strings=[bad]), Size.NARROW).svg
        self.assertNotIn("<script", svg)
        ET.fromstring(svg)

    def test_it_ends_today_however_few_the_lessons(self):
        for lessons in (1, 2, 6, 30):
            term = a_term(lessons=max(lessons, 6))
            term = replace(term, lessons=term.lessons[:lessons], last=7 * lessons)
            for span in Span:
                start, end = window(term, span)
                with self.subTest(lessons=lessons, span=span):
                    self.assertEqual(end, term.last + 1)
                    self.assertGreaterEqual(end - start, 28)

    def test_each_lane_tells_the_page_how_high_it_lies(self):
        term = a_term(practice={a_term().start: "done"})
        found = term_picture(term, Size.PAGE)
        strings = [row.key for row in found.rows if row.of == "string"]
        self.assertEqual(strings, [each.cause for each in term.strings][: len(strings)])
        heights = [row.y for row in found.rows]
        self.assertEqual(heights, sorted(heights))
        self.assertTrue(all(0 < y < found.height for y in heights))
        self.assertIn("practice", [row.of for row in found.rows])
        for string in term.strings:
            self.assertNotIn(f">{string.answer}<", found.svg)

    def test_since_when_it_is_so_follows_the_lessons(self):
        for seed in range(6):
            term = a_term(Kind.BETTER, lessons=14, seed=seed)
            for string in term.strings:
                with self.subTest(seed=seed, cause=string.cause):
                    if string.word == "gone":
                        troubled = [n for n, t in enumerate(string.trouble) if t >= 0.15]
                        first = term.date_of(term.lessons[(troubled or [-1])[-1] + 1])
                        self.assertEqual(string.since, f"since {first:%B}")
                    elif string.is_focus:
                        self.assertRegex(
                            string.since, r"^worked on for (one lesson|\d+ lessons in a row)$"
                        )
                    else:
                        self.assertRegex(string.since, r"^(worked on until \w+( \d{4})?)?$")

    def test_spans_are_offered_where_they_differ(self):
        short, long = a_term(lessons=6), a_term(lessons=60)
        self.assertEqual(spans_of(short), [Span.TERM])
        self.assertEqual(spans_of(long), [Span.TERM, Span.YEAR, Span.ALL])
        start, end = window(long, Span.TERM)
        self.assertEqual((end, end - start), (long.last + 1, 16 * 7))

    def test_a_file_brings_its_colours_and_a_page_does_not(self):
        term = a_term()
        self.assertNotIn("<style>", term_picture(term, Size.WIDE).svg)
        self.assertIn(LIGHT["ink"], term_picture(term, Size.WIDE, Span.TERM, LIGHT).svg)

    def test_a_band_eases_and_never_overshoots(self):
        outline = band([0, 50, 100], [40, 2, 2], 20, 1.7)
        ys = [float(y) for _, y in re.findall(r"(-?[\d.]+) (-?[\d.]+)", outline)]
        self.assertEqual((min(ys), max(ys)), (0, 40))


class Words(TestCase):
    def test_practice_pain_and_breaks_are_kept_with_their_days(self):
        first = a_term()
        term = a_term(
            practice={first.start + timedelta(days=3): "done"},
            pains=[(first.start + timedelta(days=4), 2, "thumb")],
            stops=[(first.start + timedelta(days=5), None, "numbness")],
        )
        self.assertEqual((term.practice, term.pains), ([(3, "done")], [(4, 2, "thumb")]))
        self.assertEqual((term.stops[0].start, term.stops[0].end), (5, term.last))
        gaps = [b - a for a, b in zip(term.lessons, term.lessons[1:], strict=False)]
        self.assertEqual(len(term.breaks), sum(gap >= 21 for gap in gaps))
