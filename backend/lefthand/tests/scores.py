"""Small scores in MusicXML for tests."""

import io
import re
import zipfile

from lefthand.music.reading.reader import read_piece

DIVISIONS = 4
QUARTER = 4


def note(step="A", octave=4, duration=4, inside="", before=""):
    pitch = f"<pitch><step>{step}</step>{before}<octave>{octave}</octave></pitch>"
    return f"<note>{pitch}<duration>{duration}</duration>{inside}</note>"


def score(*bars, name="Violin", attributes="", head=""):
    measures = "".join(
        f'<measure number="{number}">'
        + (f"<attributes><divisions>4</divisions>{attributes}</attributes>" if number == 1 else "")
        + f"{bar}</measure>"
        for number, bar in enumerate(bars, start=1)
    )
    parts = f'<part-list><score-part id="P1"><part-name>{name}</part-name></score-part></part-list>'
    return f'{head}<score-partwise>{parts}<part id="P1">{measures}</part></score-partwise>'.encode()


def packed(text, name="score.musicxml", container=None):
    out = io.BytesIO()
    with zipfile.ZipFile(out, "w", zipfile.ZIP_DEFLATED) as archive:
        inside = f'<container><rootfiles><rootfile full-path="{name}"/></rootfiles></container>'
        archive.writestr("META-INF/container.xml", container or inside)
        archive.writestr("score.musicxml", text)
    return out.getvalue()


def melody(text, **how):
    return read_piece(melody_bytes(text, **how))


def melody_bytes(text, *, tempo=None, attributes="", name="Violin", beats=4):
    """MusicXML of "A4 B4:2 r:1 (C#5 D5) E5^4": pitches or rests with quarters, slurs in brackets,
    printed fingers."""
    bars, bar, filled = [], "", 0.0
    if tempo:
        bar = f'<direction><sound tempo="{tempo}"/></direction>'
    for token in text.split():
        found = re.fullmatch(r"(\(?)([A-Gr])([#b]?)(\d?)(?::([\d.]+))?(?:\^(\d))?(\)?)", token)
        opens, step, sign, octave, length, finger, closes = found.groups()
        quarters = float(length or 1)
        duration = round(DIVISIONS * quarters)
        slurs = ('<slur type="start"/>' if opens else "") + (
            '<slur type="stop"/>' if closes else ""
        )
        printed = f"<technical><fingering>{finger}</fingering></technical>" if finger else ""
        inside = f"<notations>{slurs}{printed}</notations>"
        alter = {"#": "<alter>1</alter>", "b": "<alter>-1</alter>", "": ""}[sign]
        if step == "r":
            bar += f"<note><rest/><duration>{duration}</duration></note>"
        else:
            bar += note(step, octave, duration, inside, alter)
        filled += quarters
        if filled >= beats:
            bars.append(bar)
            bar, filled = "", 0.0
    if bar:
        bars.append(bar)
    return score(*bars, name=name, attributes=attributes)
