"""The bench compares like with like: its reference agrees, and every figure is there."""

from dataclasses import asdict
from unittest import TestCase

from bench.__main__ import measure
from lefthand.catalogue.catalogue import load_catalogue
from lefthand.values.vocabulary import Instrument


class Bench(TestCase):
    def test_a_row_holds_figures_and_the_reference_agrees(self):
        row = measure(Instrument.BASS, load_catalogue(), 2)
        self.assertLess(row.difference, 1e-9)
        self.assertLess(row.bound_most, 0.1)
        figures = [v for k, v in asdict(row).items() if k not in ("instrument", "difference")]
        self.assertTrue(all(figure > 0 for figure in figures))
