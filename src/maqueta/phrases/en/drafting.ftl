### What is drawn by hand or read from a file: why it cannot be, and what could not be read.

drafting-parallel-unsaid = Say how far away the parallel runs, and on which side.
drafting-most-lines = A view holds at most { PLAIN($most) } lines.
drafting-no-line = There is no drafted line at this point.
drafting-region-open = No region is closed about this point: its boundary has a gap, or there is none.
drafting-most-areas = A view may have { $most } hatched areas at most.
drafting-curve-untrimmed = A free curve cannot be trimmed; it can be erased.
drafting-nothing-crosses = No line crosses this one, so there is nothing to trim it to. Erase takes it away whole.
drafting-circle-uncrossed = A full circle is trimmed between two lines that cross it; fewer than two do.
drafting-circle-endless = A full circle has no end to extend.
drafting-curve-unextended = A free curve cannot be extended.
drafting-nothing-ahead = There is no line ahead of this end to extend it to.
drafting-which-side = Point to the side on which the parallel shall run.
drafting-circle-too-small = The circle is too small for a parallel at this distance inside it.
drafting-lines-and-circles = Parallels are drawn to lines and circles only.
sheet-metres-large = the sheet is { FIXED($size) } m large
sheet-without-views = there is no line of a view on the sheet
sheet-file-empty = the file is empty
sheet-file-larger = the file is larger than { $most } MB
sheet-file-no-dxf = it is not a text DXF file
sheet-file-entities = the file has more than { PLAIN($most) } entities; a sheet has some hundred
sheet-file-broken = it is not a usable DXF file: its structure is broken
sheet-lines = the sheet has more than { PLAIN($most) } lines
sheet-curve-points = the sheet has a curve of { PLAIN($points) } points, more than { PLAIN($most) }
sheet-file-without-lines = there is no line in the file
sheet-file-circle = the file has a circle of radius { PLAIN($radius) }
sheet-file-coordinate = the file has a coordinate that is not on any sheet ({ $x }, { $y })
sheet-file-other = a { $kind } file is no sheet that can be read; a sheet is a DXF, PDF or SVG file, or a scan as PNG or JPEG
sheet-pdf-locked = the PDF file is locked with a password
sheet-pdf-broken = it is not a usable PDF file: its structure is broken
sheet-picture-broken = this picture cannot be opened: it is damaged, or not a PNG or JPEG after all
sheet-picture-large = this picture has more than { $most } million pixels; scan the sheet at 200 or 300 dots an inch
sheet-picture-small = this picture has only { $wide } by { $high } pixels: lines and letters cannot be told apart; scan the sheet at 200 or 300 dots an inch
sheet-picture-no-drawing = this picture shows no sheet: more of it is dark than lines on paper are
sheet-freehand = the sheet is drawn without a ruler: its lines waver too much to be held against the part
sheet-pdf-picture = the page is a picture without a drawn line; deliver that picture as PNG or JPEG, or the sheet as the program writes it
sheet-page-endless = the page goes on and on: it draws itself, or far more than a sheet has
sheet-no-such-page = the file has no page { PLAIN($page) }
unread-no-recogniser = { $count } lines of text: the recogniser of letters (Debian’s tesseract-ocr) is not there, or did not answer
unread-letters-near = letters near { PLAIN($x) } / { PLAIN($y) } mm, which could not be made out
unread-doubtful = “{ $text }”, which the picture does not show clearly: please look whether it says so
read-by-hand = drawn by hand: what is off by no more than { $tolerance } mm, or askew by no more than { $degrees }°, counts as in its place
unread-picture-read = read from a picture: hold what is found against the picture before you decide
unread-letters-drawn = its letters are drawn and not written; they were read by how they look
unread-sizes-open = what a size says may be something else: whether the sheet has all sizes is not judged
unread-sizes = sizes that are seen and were not read, or in part ({ $count }): whether the sheet has all sizes is not judged
unread-title = what stands in the title block under { $fields }, which the picture does not show clearly; taken to be as it should
unread-stretches = short stretches of lines that the picture does not show clearly, taken to be as they should ({ $count })
unread-shapes = filled shapes that are no arrowheads, perhaps letters drawn as outlines
unread-letters = letters of which the file does not say what they are
unread-picture = picture
sheet-svg-entities = the SVG file defines entities of its own; they are never followed
sheet-svg-broken = it is not a usable SVG file: its structure is broken
unread-reference = reference to something that is not in the drawing, or draws itself
sheet-needs-memory = it needs more memory than a sheet may take
read-as-drawn = the page was printed at { FIXED($share) } % of the size of its sheet; it was read as large as it was drawn
unread-aside = lines beside the views, taken as axes or dimension lines ({ $count })
unread-lines = lines of one width and colour, taken as dimension or other lines ({ $count })
unread-layer = lines of the layer { $layer }, taken as dimension or other lines ({ $count })
unread-counted = { $what } ({ $count })
unread-entity = { $kind }
unread-switched-off = { $kind } on the switched-off layer { $layer }
unread-damaged = { $kind } that is damaged
unread-endless = INSERT of the block { $block }, which contains itself
unread-copies = copy of the block { $block }
unread-arc-length = DIMENSION of an arc's length
unread-model-space = entities in model space ({ $count })
unread-paper-space = entities in the paper space { $name } ({ $count })
unread-loose-dimension = the dimension '{ $text }', which touches no view
unread-loose-text = the text '{ $text }', which stands at nothing it could be the size of
unread-too-many = { $count } { $what ->
    [groups] groups of lines
    [dimensions] dimensions
    [notes] notes
   *[centre-lines] centre lines
} more than the { $most } a sheet may have
unread-too-many-lines = { $count } lines more than the { PLAIN($most) }, or { PLAIN($points) } points, a sheet may have
