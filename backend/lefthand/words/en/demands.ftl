# What a note asks of the left hand. $finger, $one and $other are fingers by name; strings are counted from the highest.

demand-no-release = { $seconds } s{ $stops ->
    [0] {""}
    [one] {""}
   *[other] {" "}and { $stops } stops
 } since the hand could let go
demand-fast = { $rate } notes a second, { $calm } stay loose at this level
demand-played = { $finger } finger
demand-held = { $finger } held for { $seconds } s
demand-vibrato = long enough for vibrato on the { $finger }
demand-again = { $finger } again after { $seconds } s
demand-own-fast = { $finger } at { $rate } notes a second
demand-stretched-fourth = fourth stretched up
demand-low-fourth = low fourth beside the third
demand-fourth-reach = fourth on string { $string }: the elbow comes under it
demand-low-first = first drawn back
demand-own-far = { $finger } on string { $string }
demand-far = { $finger } on string { $string }: the arm well round
demand-thick = thick string
demand-high = { $position } position, where a stop weighs more
demand-double-open = double stop with an open string
demand-ring = the open neighbour rings beside the { $finger }
demand-own-double = { $finger } in a double stop
demand-double = double stop { $fingers }
demand-chord = chord of { $notes }
demand-stretch = { $one } to { $other } { $needed } mm, { $eased } mm at ease
demand-entry = entry after a rest: the finger before the bow
demand-wide = wide hand
demand-opens = the hand opens
demand-closes = the hand closes
demand-half-step-shift = the hand moves by a half step
demand-shift = shift from { $before } to { $position } position
demand-shift-eased = shift from { $before } to { $position } position over an open string or a rest
demand-thumb-along = the thumb goes along
demand-shift-down = shift down to { $position } position
demand-fast-shift = shift within { $seconds } s
demand-cross = from string { $before } to { $string }
demand-cross-slurred = from string { $before } to { $string } in the slur
demand-skip = skips a string
demand-fast-cross = string change in { $seconds } s
demand-hop = { $finger } hops across
demand-lies-over = { $finger } lies over two strings
demand-must-ring = the next string up must be free beside the { $finger }
demand-after-third = fourth straight after the { $finger }
demand-half-step = half step from third to fourth
demand-lift = { $one } to { $other }: fingers lifted together
demand-stay = { $finger } stays while others play

hand-position = { $number ->
    [0] half
    [1] first
    [2] second
    [3] third
   *[other] { $number }th
 }
