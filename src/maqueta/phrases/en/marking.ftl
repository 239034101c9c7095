### What stands in tables of marks, on printed slips and in reports.

column-name = Name
column-given = Given name
column-family = Family name
column-login = Log-in name
column-email = E-mail
column-group = Group
column-points = Points
column-of = Of
column-percent = Percent
column-grade = Grade
column-state = State
column-attempt = Attempt
column-handed-in = Handed in
column-late = Late
column-remark = Remark
column-sum = Sum
criterion-name = { $criterion ->
    [front] Front
    [angle] Angle
    [views] Views
    [alignment] Alignment
    [lines] Lines
    [scale] Scale
    [dimensions] Dimensions
    [placement] Placement
    [layout] Layout
    [title] Title
    [section] Sections
    [detail] Details
    [auxiliary] Auxiliary views
    [assembly] Assembly
    [set] Set
   *[pictorial] Pictorial
}

slip-handed-in = handed in { $when } UTC
slip-mark = { PLAIN($points) }/{ PLAIN($of) }
slip-cost = −{ PLAIN($cost) }
slip-waived = waived
slips-written = { $number } of { $of } sheets
slips-ready = The slips are ready
slips-none = Nothing was handed in yet

making-own-parts = Making parts in sizes of students’ own: { $number } of { $of }
own-parts-made = Everyone’s parts are made

sheet-state = { $state ->
    [handed-in] handed in
   *[returned] returned
}
