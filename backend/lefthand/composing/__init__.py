"""Drills and tunes made for a hand: which notes, and which tune asks little but what is wanted."""
