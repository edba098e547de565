# How the hand lets go at a place of a piece.

release-rest = let go in the rest
release-breath = let go and breathe
release-open-string = open string: the fingers hang
release-phrase-end = end of the phrase: soft
release-shift = light hand, then shift
release-long-note = long note: tap with the thumb
release-end = let go
release-stop = a stop for practice: soft, then on
