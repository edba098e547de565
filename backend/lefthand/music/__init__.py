"""Drills as music: what is played, how it is written (MusicXML) and how it is drawn (SVG)."""
