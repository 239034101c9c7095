### Every rule by itself: what it asks, why a workshop cares, how to put it right at the bench.

reasons-front-side = The front view shows the side that tells most of the part: long across the sheet, much of its shape, few hidden lines in the whole set of views, in the position the part has in use.
    .why = Everything else on the sheet follows from it. With a poor front view the workshop turns the sheet about in its head and reads sizes from hidden lines.
    .mend = At the stage Front, turn the part, compare two or three sides, and take the one whose three views bring the fewest hidden lines.

reasons-front-turn = The front view stands as the part stands in use, its longest size lying across the sheet.
    .why = A part shown on its head is set up on its head. What lies is also easier to place on landscape paper.
    .mend = Turn the front view on the spot before any other view is folded out from it; views folded out already follow when you begin them anew.

reasons-angle-arrangement = Views stand where the angle of projection of the exercise puts them: in third angle the top view above, in first angle below the front view.
    .why = A workshop that reads the views by the other angle makes the part as its mirror image.
    .mend = Move each view to the other side of the front view, or ask for views with the angle the exercise gives.

reasons-angle-mixed = All views of a sheet follow one angle of projection.
    .why = Nobody can tell any more which side a view shows; one of them will be read from the wrong side.
    .mend = Find the view on the side that belongs to the other angle, and move it across the front view.

reasons-angle-symbol = The title block tells the angle of projection by its symbol or in words, and tells the one the views follow.
    .why = The sheet leaves the school. Whoever opens it elsewhere knows only what stands on it.
    .mend = At the stage Title, choose first or third; the symbol is drawn.

reasons-views-missing = Every view that was asked for is on the sheet.
    .why = What only that view shows cannot be made, and sizes that belong there have no place.
    .mend = At the stage Views, fold the lacking view out from the front view.

reasons-views-repeated = No view shows the same lines as another one.
    .why = Two equal views cost paper and time and make the reader look for a difference that is not there. A round part needs two views.
    .mend = Take one of the two away; keep the one that carries the dimensions.

reasons-views-surplus = Only the views that were asked for are drawn.
    .why = Every further view is one more that has to be kept right when the part changes.
    .mend = Take the view away, unless it shows something no other view shows.

reasons-views-insufficient = Every feature is seen in its own shape in some view, by visible lines.
    .why = A groove seen only from the side could be round, square or slanted: the workshop guesses.
    .mend = Add the view that looks straight at the feature, or choose the front view so that one of the three does.

reasons-views-unrecognised = Every group of lines is a view of the part.
    .why = Lines that belong to no view are read as part of the nearest one.
    .mend = Compare the group with the part on the turntable: often a view is drawn from memory, at a second scale, or lines of two views have run together.

reasons-views-mirrored = No view is a mirror image of what is seen.
    .why = A mirrored view is a different part: the hole ends up on the other side.
    .mend = Look at the part from that side and say which end lies left; then turn the view over.

reasons-alignment-offset = Neighbouring views stand exactly in line, so that every point can be carried across.
    .why = The eye follows a line from view to view. Out of line, two features that are one look like two.
    .mend = Drag the view until it is caught in line, or move it with the arrow keys; the gap may be any.

reasons-alignment-turned = A view is folded out from the front view and not turned in its own plane.
    .why = The right side of the part in the wrong turn puts the base where the top is.
    .mend = Turn the view on the spot until its edges continue those of its neighbour.

reasons-lines-missing-visible = Every edge that is seen from a side is drawn in that view as a visible line, over its whole length.
    .why = A missing line joins two faces into one: a step is not made.
    .mend = Go round the part on the turntable edge by edge and carry each one into the view.

reasons-lines-missing-hidden = Edges that lie behind the part are drawn by hidden lines wherever a view needs them.
    .why = Without them nobody knows whether a hole goes through, or that there is a pocket on the other side.
    .mend = Select the view and switch its hidden lines on to see whether any appear; drafting, throw lines across from the view that shows the shape.

reasons-lines-hidden-on-pictorial = The pictorial view shows only what is seen.
    .why = It is there to be understood at a glance; hidden lines undo that.
    .mend = Select the pictorial view and switch its hidden lines off.

reasons-lines-tangent-edge = Where two faces run smoothly into each other there is no line.
    .why = A line there is read as an edge, and an edge will be filed.
    .mend = Switch the smooth transitions off, or erase the line where the round begins.

reasons-lines-missing-centre = Circles carry a centre mark; round features seen from the side and axes of symmetry carry a centre line that reaches slightly past the outline.
    .why = Holes are set out and drilled from their centres. The lines are also what dimensions are taken from.
    .mend = At the stage Lines, press for lacking centre marks and lines, or point at each circle.

reasons-lines-extra = Every line of a view is an edge of the part.
    .why = A line too many is a step, a groove or a joint that is not there, and somebody asks or makes it.
    .mend = Find the edge for the line on the turntable; where there is none, erase it.

reasons-lines-displaced = Every line lies where its edge is, to the width of a pen.
    .why = Templates are pricked through and lengths are lifted off with dividers: what is off by a millimetre is made so.
    .mend = Throw a line across from the view where the edge is certain, and move the line onto it.

reasons-lines-wrong-kind = Edges that are seen are drawn continuous, those behind dashed; where they coincide the visible one wins.
    .why = Continuous means: here you can put your finger. Dashed means: this is inside or behind.
    .mend = Ask of each line whether its edge can be touched from that side, and draw it in the pen of its kind.

reasons-lines-style = Wide lines for what is seen, narrow ones for the rest, dashes that are dashes: two widths, one twice the other.
    .why = Printed smaller or copied, kinds that differ little become the same.
    .mend = Give outlines the wide pen, and let dashes and gaps be longer than the line is wide.

reasons-scale-stated = The scale in the title block is the one the views are drawn at.
    .why = Whoever lays a rule on the paper trusts it.
    .mend = Write the scale the drawing has, or draw at the scale that is written.

reasons-scale-mixed = All principal views of a sheet have one scale.
    .why = At different scales nothing can be carried across, and a view looks like another part.
    .mend = Set the scale for all views at once at the stage Views; enlarged details carry their own beside their letter.

reasons-scale-nonstandard = One of the recommended scales: 1:1, 1:2, 1:5, 1:10 … and 2:1, 5:1, 10:1 …
    .why = Rulers and habits exist for these. At 1:2.3 every look at the paper is a calculation.
    .mend = Take the recommended scale next to yours that leaves room for dimensions.

reasons-scale-asked = The scale the exercise asks for.
    .why = Sheets of a set are laid beside each other; that works at one scale.
    .mend = Set the scale of the exercise at the stage Views, and place the views again.

reasons-scale-fill = As large as can be read well, small enough to leave room for dimensions.
    .why = Too small hides detail and crowds sizes; too large pushes dimensions over the views.
    .mend = Try the next recommended scale up or down, look at the gaps, and take the largest that leaves them.

reasons-dimensions-undetermined = Everything about the part can be known from the sheet: every size and every location.
    .why = What is missing is measured off the paper, asked for by telephone, or guessed.
    .mend = Let the reader's eye move what is open; give one more size along that direction, from an edge that matters.

reasons-dimensions-redundant = No size follows from others: the last stretch of a row is left for subtraction.
    .why = Each size is made with its own small error. Where all of a chain are given, one of them will contradict the others.
    .mend = Leave out the size of the chain that matters least; overall sizes stay.

reasons-dimensions-repeated = Every size is given once on the sheet.
    .why = When the part changes, one of the two is forgotten, and there are two truths.
    .mend = Keep it in the view that shows its shape, and take the other away.

reasons-dimensions-overall = Width, height and depth over all are on every sheet.
    .why = They say which piece of stock to take, before anything else is read.
    .mend = Give the three first, outside of all rows.

reasons-dimensions-value = The written value is the true size of the part, whatever the scale of the paper.
    .why = The value is what is made. The drawing only shows where.
    .mend = Let the value come from the part: take the written one away, and the measured one stands there.

reasons-dimensions-unread = A size is written so that it can be understood: a number, with ⌀, R, M or a depth where they belong.
    .why = What a reader does not understand, they ask about or ignore.
    .mend = Write the number alone, then add what is needed around it, as your standard writes it.

reasons-dimensions-aslant = Sizes run level, upright, or along a slant the part really has.
    .why = Between two corners that do not lie level, the slanted length is nobody's size.
    .mend = Choose level or upright for the dimension, or take it from the edge itself.

reasons-dimensions-to-hidden = Dimensions are taken from lines that are seen.
    .why = A hidden line is behind something; nobody can lay a gauge to it, and it is easily mistaken.
    .mend = Give the size in the view where the shape is seen, or cut the part open.

reasons-dimensions-form = Full circles by ⌀, arcs by R, alike ones by their number.
    .why = Drills and turned parts are measured across, rounds by gauges of radius; “typical” leaves open how many.
    .mend = Change the kind of the dimension; write 4× before a size that four features share.

reasons-dimensions-contour = A size stands in the view where its shape is seen on the contour.
    .why = There the eye is already: size and shape are read together.
    .mend = Move the dimension to the view that shows the step or the circle, not the flat side.

reasons-dimensions-datum = Locations are taken from the edge or centre that matters for the function.
    .why = What a dimension is taken from says what is to be exact. Another beginning adds another error.
    .mend = Begin the dimension at the side the exercise names, and take the others from it too.

reasons-dimensions-decimals = One unit and one number of decimals; more only where it matters.
    .why = A further decimal is read as a closer demand, and paid for.
    .mend = Set the decimals for the whole sheet; give a functional size its own.

reasons-dimensions-tolerance = A tolerance agrees with its size and with the general tolerance of the title block.
    .why = Limits that cross cannot be made; two tolerances for one size are settled by chance.
    .mend = Write the upper limit above the lower one, or take the tolerance away and let the general one hold.

reasons-dimensions-precision = A size the exercise calls functional carries a closer tolerance or more decimals than the rest.
    .why = It is what makes the part fit. Everything else may be cheaper.
    .mend = Select the size and give it a tolerance or a fit.

reasons-dimensions-on-pictorial = The pictorial view carries no dimensions.
    .why = Its lengths are foreshortened, and the sizes stand in the views already.
    .mend = Take the dimension away, and give it in the view that shows it in true length.

reasons-placement-order = Shorter dimensions stand inside, longer ones outside.
    .why = Otherwise extension lines cross dimension lines, and the eye loses which belongs to which.
    .mend = Drag the longer one out by a row, or let the rows be evened out.

reasons-placement-spacing = The first row stands 10 mm off the outline, further rows 6 mm apart or more, all alike.
    .why = Figures need air; a dimension line near the outline is taken for an edge.
    .mend = Drag the row out, or let the rows be evened out.

reasons-placement-on-part = Dimensions stand outside the views wherever there is room.
    .why = Over the view they are read as lines of the part and hide what is under them.
    .mend = Drag the dimension beyond the outline, best between two views.

reasons-placement-crossing = Dimension lines cross nothing; extension lines cross as little as can be.
    .why = At a crossing two readings are possible.
    .mend = Change the order of the rows, or move a dimension to the other side of the view.

reasons-placement-gap = Extension lines begin with a small visible gap off the outline.
    .why = Touching it they lengthen the outline.
    .mend = Begin the dimension at the corner: the bench leaves the gap. In a file from elsewhere, set the offset of extension lines.

reasons-placement-reading = Texts read from below and from the right, or all from below: one way on a sheet, that of its standard.
    .why = Nobody turns the sheet for a single figure; 66 and 99 are then the same.
    .mend = Choose the standard of the sheet at the stage Paper and let the texts follow it.

reasons-placement-lettering = Lettering is at least 2.5 mm high (0.12 in) on paper and of one height.
    .why = Sheets are copied smaller and read in poor light.
    .mend = Set one height for all texts of the sheet.

reasons-placement-overlap = Texts stand free of each other.
    .why = Two figures over each other are none.
    .mend = Slide one of the texts along its line, or pull it out on a leader.

reasons-layout-outside = Everything lies inside the border and clear of the title block.
    .why = What touches the border is cut off when the sheet is trimmed.
    .mend = Move the group of views, or take a smaller scale.

reasons-layout-overlap = Views stand clear of each other.
    .why = Overlapping lines belong to both and to neither.
    .mend = Move the views apart, in line with the front view.

reasons-layout-centring = The group of views stands in the middle of the drawing area.
    .why = A balanced sheet has room for dimensions on every side, and looks as if somebody had thought.
    .mend = Let the gaps be evened out, or work them out: (room − views) ÷ (views + 1).

reasons-layout-gaps = Gaps between views and to the border are alike.
    .why = Uneven gaps leave one side without room for dimensions.
    .mend = Let the gaps be evened out.

reasons-title-missing = Every field of the title block that is asked for is filled in.
    .why = A sheet without name, date and scale cannot be filed, asked about or trusted.
    .mend = Go through the stage Title from top to bottom.

reasons-title-lettering = The title block is lettered in capitals.
    .why = Capitals stay legible when sheets are copied small.
    .mend = Write the fields in capitals.

reasons-title-name = The sheet is named by the pattern of the exercise.
    .why = In a folder of three hundred files the name is all one sees.
    .mend = Give the sheet the name the finding tells.

reasons-pictorial-corner = The pictorial view is taken from the corner that shows front, top and the drawn side view.
    .why = It is there to help read these views; from another corner it tells of others.
    .mend = Take the pictorial view again: the bench begins with the right corner.

reasons-pictorial-hides = The pictorial view lets every feature be seen that some corner shows.
    .why = What it hides, a reader will not look for in the views.
    .mend = Take it from the corner the finding names.

reasons-pictorial-shading = The pictorial view is shaded where the exercise asks for it.
    .why = Shades tell at a glance which faces lie alike.
    .mend = Switch shading on for the pictorial view.

reasons-section-missing = Where the exercise asks for a section, it is there: of the form asked for and through the points named.
    .why = What lies inside and shows only in hidden lines is read with doubt; cut open it is plain.
    .mend = Draw the cutting line through the middle of what is inside, and set the section down.

reasons-section-cutting-line = A cutting line in the parent view tells where a section is cut, and its arrows which way one looks.
    .why = A section without its place could be anywhere in the part.
    .mend = Draw the line where the section is cut, through the middle of what it shows; turn the arrows the way you look.

reasons-section-label = One letter stands at both ends of a cutting line and over its section, and for nothing else.
    .why = The letters are all that ties a section to its line when there is more than one.
    .mend = Give line and section the same letter, another one for each section.

reasons-section-hatching = Every cut face is hatched, and nothing else is.
    .why = Hatching says: here is material, here the cut goes through.
    .mend = Hatch what the plane passes through; leave holes, and what stands behind, bare.

reasons-section-hatch-style = One part is hatched in one direction and spacing, at 45° to its outline, and its neighbour the other way.
    .why = Areas hatched alike are read as one part; lines along the outline pass for edges.
    .mend = Hatch at 45°, alike throughout a part, from 1 to 10 mm apart.

reasons-section-uncut = Ribs, webs, shafts, bolts and pins are not cut lengthwise.
    .why = A hatched rib looks like a solid wall, a hatched pin like a hole that is filled.
    .mend = Leave it whole: draw its outline and do not hatch it.

reasons-section-hidden = A section shows no hidden lines.
    .why = It was drawn to be rid of them.
    .mend = Switch hidden lines off in the section.

reasons-section-boundary = Halves of a half section are parted by a centre line; steps of a cutting line draw no line.
    .why = A visible line there says there is an edge, and there is none.
    .mend = Draw the centre line between the halves; take away the lines at the steps.

reasons-detail-region = A circle with a letter tells in another view what a detail enlarges.
    .why = An enlargement of nobody knows what is of no use.
    .mend = Circle what the detail shows, with its letter.

reasons-detail-label = Letter and scale stand beside a detail, the same letter at its circle.
    .why = The scale of the title block does not speak for it.
    .mend = Write letter and scale beside it, such as B (5:1).

reasons-detail-scale = A detail is enlarged, to a recommended scale, the one that is written beside it.
    .why = Whoever lays a rule on it trusts the scale that is written there.
    .mend = Take the next recommended scale at which its features are clear.

reasons-auxiliary-missing = A slanted face that is to be known truly is looked at squarely in some view.
    .why = Anything drawn aslant is shortened: shapes and lengths cannot be taken from it.
    .mend = Fold a view out square to the edge the face shows as; where it shows as none, find that edge first.

reasons-auxiliary-direction = An auxiliary view looks squarely at the face it shows.
    .why = A few degrees off, and every length across is a little too short.
    .mend = Lay the folding line along the edge that the face shows as.

reasons-auxiliary-fold = An auxiliary view stands in line with its parent across the folding line.
    .why = Points are carried over along these lines; out of line they cannot be followed.
    .mend = Move it along the folding line until the sight lines meet.

reasons-auxiliary-chain = A secondary view is folded out from a primary one that shows the face as an edge.
    .why = Only square to an edge view does a face show truly.
    .mend = Look along a line of the face that is in true length: there the face is an edge. Begin from that view.

reasons-auxiliary-label = An auxiliary view is in projection, or an arrow and a letter tell from where it is seen.
    .why = Otherwise no one knows which way it looks.
    .mend = Fold it out, or draw an arrow with a letter beside the part and the letter over the view.
