# Why a plan stops, and why one eases off.

stop-numbness = numbness or tingling
stop-radiating = pain that radiates
stop-curling = a finger that curls or escapes control
stop-swelling = swelling
stop-sudden-weakness = sudden weakness or dropping things
stop-pain = pain of { $least } or more out of 10
stop-rest = pain at rest
stop-night = pain at night
stop-next-day = pain that is still there the next day
stop-same-place = pain in the same place for { COUNT($weeks) } weeks or more
# A reason of a stop that was raised before reasons had ids.
stop-as-written = { $text }

ease-playing = pain while playing
ease-new = a new pain
ease-tired = tiredness that lasts into the next day
ease-injury = an earlier injury or operation of this arm
ease-rise = a sudden rise of daily playing
ease-break = the first { COUNT($weeks) } weeks after a long break
ease-lifted = the first { COUNT($weeks) } weeks after a stop was lifted
ease-lifted-today = a red flag was lifted today: ease off at first
skin-sore = sore fingertip skin: play shorter, it is ordinary
advice-loose = loose all over, by the nine-point score, which screens and says no more: a doctor or physiotherapist should have a look

hurt-now = { $place } { $place-id ->
    [fingers] hurt
   *[other] hurts
 }
hurt-before = { $place } hurt { $days ->
    [1] yesterday
   *[other] { $days } days ago
 }
