// The practice sheet. All words and numbers come in as JSON; nothing here is data.
#let sheet = json(bytes(sys.inputs.sheet))
#set document(title: "Practice sheet for " + sheet.first_name, author: "Jolf")
#let scale = float(sys.inputs.scale)
#let pt(size) = size * scale * 1pt
#let care = [
  Soft and short is better than long and tight. If anything hurts, tingles or goes numb: stop, put the
  instrument down and tell your teacher.
]
#let ink = luma(40%)
#set page(
  paper: sys.inputs.paper,
  margin: (x: 17mm, top: 14mm, bottom: 11mm + 11mm * scale),
  header: context if counter(page).get().first() > 1 [
    #text(size: pt(9.5), fill: ink)[#sheet.first_name's week, from #sheet.date #h(1fr) page #counter(page).display()]
  ],
  footer: [
    #line(length: 100%, stroke: 0.4pt + luma(60%))
    #v(-4pt)
    #text(size: pt(9.5), fill: luma(25%))[#care]
  ],
)
#set text(font: ("Atkinson Hyperlegible Next", "Noto Music"), size: pt(10.5), lang: "en")
#set par(leading: 0.6em, spacing: 0.75em)
#show heading: set text(font: "Literata", weight: 600)
#show heading.where(level: 1): set text(size: pt(21))
#show heading.where(level: 2): set text(size: pt(14))
#let strings = stack(spacing: 1.5pt, ..(0.9pt, 0.7pt, 0.5pt, 0.35pt).map(w => line(length: 100%, stroke: w + luma(45%))))
#let box-to-tick(day) = box(inset: (right: 7pt))[
  #box(width: pt(11), height: pt(11), stroke: 0.7pt, radius: 2pt, baseline: 2pt) #text(size: pt(9.5))[#day]
]

#grid(columns: (1fr, auto), align: (left + bottom, right + bottom),
  [= #sheet.first_name's week],
  text(fill: ink)[#sheet.instrument · from #sheet.date],
)
#v(-4pt)
#strings
#v(2pt)

#if sheet.paused [
  == Please stop for now
  #block(stroke: 1.4pt, radius: 4pt, inset: 10pt, width: 100%)[
    Your teacher has paused your exercises because of: *#sheet.reasons.join("; ")*.

    Please see a doctor or a physiotherapist about it, and tell your teacher what they say.
    There is nothing to practise on this sheet until your teacher says so.
  ]
] else [
  #if sheet.focus.len() > 0 [This week is about: *#sheet.focus.join(" and ")*. #h(1fr)] #if sheet.items.len() > 0 [About *#sheet.minutes minutes* a day.]
  #if sheet.takes != "" [
    #text(fill: ink)[How long such a thing usually takes: #sheet.takes.]
  ]
  #if sheet.eased [
    #block(stroke: 1pt, radius: 4pt, inset: 7pt, width: 100%)[
      *Easing off:* half as much of it, soft and short, until your next lesson. Leave out whatever hurts.
    ]
  ]
  #if sheet.teacher_line != "" [
    #block(inset: (left: 10pt, y: 3pt), stroke: (left: 2pt + ink))[#emph(sheet.teacher_line)]
  ]
]

#for (number, item) in sheet.items.enumerate(start: 1) [
  // The words of an exercise stay together; its music may go on overleaf, so that pages are full.
  #block(width: 100%, above: 13pt)[
    #block(breakable: scale > 1, width: 100%)[
    #grid(columns: (1fr, auto), align: (left + bottom, right + bottom),
      [== #number. #item.name],
      [*#item.dose*#if item.tempo > 0 [ · ♩ = #item.tempo] · about #item.minutes min],
    )
    #v(-3pt)
    #text(fill: ink)[This week: #item.rung.] #item.why
    #if item.child != "" [ #text(font: "Literata", style: "italic")[“#item.child”] ]
    #grid(columns: (1.35fr, 1fr, if item.pictures.len() == 0 { 0pt } else { pt(56) }), column-gutter: 11pt,
      [
        #enum(tight: true, spacing: 0.55em, ..item.steps)
        #text(size: pt(9.5))[*Not like this:* #item.mistake *Too much:* #item.over]
      ],
      block(stroke: (left: 0.6pt + luma(60%)), inset: (left: 9pt, y: 1pt))[
        *It feels like:* #item.feel

        *In the mirror:* #item.mirror

        *Stop when:* #item.stop
        #if item.helper != "" [

          *Helper:* #item.helper
        ]
      ],
      if item.pictures.len() > 0 {
        stack(spacing: 5pt, ..item.pictures.map(each => stack(spacing: 2.5pt,
          block(stroke: 0.4pt + luma(70%), radius: 3pt, clip: true,
            image(bytes(each.svg), format: "svg", width: 100%, alt: each.words)),
          align(center, text(size: pt(8))[#each.words]),
        )))
      },
    )
    ]
    // Whoever has the music has the days to tick: neither goes overleaf alone.
    #block(breakable: false, width: 100%)[
    #if item.music != "" [
      #v(1pt)
      #if item.title != "" [#text(font: "Literata", weight: 600)[#item.title] #h(1fr) #text(size: pt(9), fill: ink)[#item.credit]]
      #image(bytes(item.music), format: "svg", width: 100%, alt: "Music of " + item.name)
    ]
    #v(1pt)
    #text(size: pt(9.5), fill: ink)[Tick the days:] #h(4pt) #for day in item.days { box-to-tick(day) }
    ]
  ]
]

#context [#metadata((page: here().page(), share: here().position().y / page.height)) <end>]
