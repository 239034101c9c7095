### Sheet forms: what is wrong with one, and what became of a file.

form-border-off-paper = The border reaches beyond the paper.
form-no-room-to-draw = Border and title block leave less than half of the paper to draw on.
form-title-outside = The title block reaches beyond the border.
form-without-fields = No field has a place yet: nothing a student writes would stand on the sheet.
form-lacks-fields = No place for: { $fields }. A title block usually has them.
form-zones-off-paper = Zone marks need { PLAIN($strip) } mm of paper beside the border on every side.
form-ink-off-paper = { $count ->
    [one] One line or text lies
   *[other] { $count } lines or texts lie
} beyond the paper.
form-ink-in-drawing = { $count ->
    [one] One line lies
   *[other] { $count } lines lie
} above the title block, where views are drawn.
form-field-outside = “{ field-name }” stands outside the title block.
form-field-small = “{ field-name }” has { FIXED($wide, 1) } × { FIXED($high, 1) } mm: too little for its lettering.
form-fields-overlap = “{ field-name }” and “{ $other }” lie over each other.

form-read-no-border = No border was found in the file; the usual one of { $paper } is put in.
form-read-no-title = No title block was found in the file; the usual one’s outline is put in.
form-read-no-room = “{ field-name }” has a caption, but no room for it was found: place it by hand.
form-read-curves = { $count ->
    [one] One curve, size or filled area is
   *[other] { $count } curves, sizes or filled areas are
} left out: a form has straight lines and lettering.
form-read-far = { $count ->
    [one] One line or text lies metres off the paper and is
   *[other] { $count } lines or texts lie metres off the paper and are
} left out.
form-read-too-many = { $count ->
    [one] One line or text is
   *[other] { $count } lines or texts are
} left out: a form has at most { $lines } lines and { $texts } texts.
form-not-on-sheet = The exercise’s sheet form was not found on this sheet; border and title block were found by their own lines.
form-not-ready = The sheet form cannot be used yet: { $reason }
form-no-cell = No lines close around this point within the border: draw the cell first.
form-cell-small = The cell has no room left for “{ field-name }”.
