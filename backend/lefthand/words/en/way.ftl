# Drills that lead to a place of a piece.

way-title = The way there
way-slow-title = Slow, with stops
way-slow = At each mark stop, let go, shape the hand.
way-more-title = A note more each time
way-more = From the heaviest note outwards. The hand hangs in each rest.
way-shift-title = The shift by itself
way-shift = { START($why) }. Lighten, glide on finger { $finger } to its new place, arrive, then go on.
way-shift-open = { START($why) }. Let the hand arrive first, then the sound.
way-strings-title = Strings first
way-strings = { START($why) }. First the bow alone on open strings, then with the fingers.
way-reach-title = Back to the lower finger
way-reach = { START($why) }. Finger { $high } stands first, round; finger { $low } reaches back. Then let go.
way-hold-title = In shorter notes
way-hold = { START($why) }. Let the hand hang in each rest.
way-run-title = In groups
way-run = { START($why) }. Quick groups, soft in each rest; then long and short.
way-finger-title = With its neighbour
way-finger = { START($why) }. Fingers { $one } and { $two } in turn, soft in each rest.
