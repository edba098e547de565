"""Fiddle tunes with printed fingers: traditional tunes from an old printed collection, in the public
domain, as music21 carries them (ABC). Data for tests only, not shipped."""

import hashlib
import re
import warnings
from dataclasses import replace
from fractions import Fraction
from functools import cache
from pathlib import Path

import music21
from music21 import abcFormat, pitch

from lefthand.music.reading.piece import Bar, Event, Part, Piece, Tone
from lefthand.music.strings import STEP_NAMES, Pitch
from lefthand.values.vocabulary import Instrument

FOLDER = Path(music21.__file__).parent / "corpus" / "ryansMammoth"
MARKED = re.compile(r'"[\^_<>]?[01234]"')
SIGN = re.compile(r"^[\^_<>]?([01234])$")
TEMPO = 100.0
SEED = 11


def is_for_fitting(piece):
    """Half of the tunes, by name, on which costs were fitted."""
    digest = hashlib.sha256(f"{SEED}:{piece.title}".encode()).hexdigest()
    return int(digest, 16) % 2 == 0


@cache
def fingered_tunes():
    found = []
    with warnings.catch_warnings():
        warnings.simplefilter("ignore")
        for path in sorted(FOLDER.glob("*.abc")):
            text = path.read_text(encoding="utf-8", errors="replace")
            if MARKED.search(text):
                found.append(_tune(path.stem, text))
    return found


def _tune(name, text):
    handler = abcFormat.ABCHandler()
    handler.process(text)
    bars, events, at, slurs, ties = [Bar("1", Fraction(0))], [], Fraction(0), 0, False
    for token in handler.tokens:
        kind = type(token).__name__
        if kind == "ABCBar" and at > bars[-1].onset:
            bars[-1].length = at - bars[-1].onset
            bars[-1].closes = "end" in str(token.barType) or "repeat" in str(token.barType)
            bars.append(Bar(str(len(bars) + 1), at))
        elif kind == "ABCSlurStart":
            slurs += 1
        elif kind == "ABCParenStop" and events:
            events[-1] = replace(events[-1], slurs_end=events[-1].slurs_end + 1)
        elif kind == "ABCTie":
            ties = True
        elif kind in ("ABCNote", "ABCChord"):
            length = Fraction(float(token.quarterLength or 0)).limit_denominator(96)
            tones = _tones(token, kind)
            is_grace = bool(getattr(token, "inGrace", False))
            if tones:
                if ties and events and not is_grace:
                    before = {tone.pitch.midi for tone in events[-1].tones}
                    tones = [replace(t, tied_from=t.pitch.midi in before) for t in tones]
                ties = False
                events.append(
                    Event(at, Fraction(0) if is_grace else length, len(bars) - 1, tuple(tones),
                          is_grace, slurs_begin=slurs)
                )  # fmt: skip
                slurs = 0
            if not is_grace and (tones or getattr(token, "isRest", False)):
                at += length
    bars[-1].length = at - bars[-1].onset
    part = Part("P1", "Violin", Instrument.VIOLIN)
    return Piece(name, [part], part, bars, events, [(Fraction(0), TEMPO)], [])


def _tones(token, kind):
    subs = [token] if kind == "ABCNote" else list(token.subTokens)
    found = []
    for note in subs:
        if not getattr(note, "pitchName", None):
            continue
        read = pitch.Pitch(note.pitchName)
        signs = (SIGN.match(mark.strip('"')) for mark in (token.chordSymbols or []))
        fingers = tuple(sign.group(1) for sign in signs if sign) if note is subs[-1] else ()
        own = Pitch(read.octave, STEP_NAMES.index(read.step), int(read.alter))
        found.append(Tone(own, fingers))
    return found
