// Letters. All words and the picture come in as JSON; nothing here is data.
#let data = json(bytes(sys.inputs.letters))
#set document(title: data.title, author: data.author)
#let ink = luma(40%)
#set page(
  paper: sys.inputs.paper,
  margin: (x: 20mm, top: 18mm, bottom: 20mm),
  footer: context align(right, text(size: 9pt, fill: ink)[page #counter(page).display()]),
)
#set text(font: ("Atkinson Hyperlegible Next", "Noto Music"), size: 11pt, lang: "en")
#set par(leading: 0.65em, spacing: 0.8em)
#show heading: set text(font: "Literata", weight: 600)
#show heading.where(level: 1): set text(size: 19pt)
#show heading.where(level: 2): set text(size: 13pt)
#let strings = stack(spacing: 1.5pt, ..(0.9pt, 0.7pt, 0.5pt, 0.35pt).map(w => line(length: 100%, stroke: w + luma(45%))))

#for (number, letter) in data.letters.enumerate() [
  #if number > 0 [ #pagebreak() #counter(page).update(1) ]
  = #letter.title
  #text(fill: ink)[#data.author #h(1fr) #data.date]
  #v(-3pt)
  #strings
  #v(4pt)
  #for (place, paragraph) in letter.paragraphs.enumerate() [
    #block(breakable: true, width: 100%, above: 12pt)[
      #if paragraph.heading != "" [ == #paragraph.heading ]
      #for part in paragraph.parts [
        #if part.kind == "list" [ #list(tight: true, ..part.lines) ] else [ #part.lines.join(linebreak()) ]
      ]
    ]
    #if place == letter.picture_after and letter.picture != "" [
      #v(4pt)
      #image(bytes(letter.picture), format: "svg", width: 100%, alt: letter.picture_says)
    ]
  ]
]
