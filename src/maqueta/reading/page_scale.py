"""Pages that were printed larger or smaller than their sheet was drawn: told by the scale their views have.

A page format says how large a page is, not how large the sheet on it was meant to be ("fit to page").
What counts as the same size: common practice, no source.
"""

from typing import Final

from maqueta.reading.begun import BegunSheet
from maqueta.sheet.paper import sides
from maqueta.sheet.scales import is_recommended, parse_scale

#: Scales and sides of paper that differ by less, as a share, are the same.
_SAME, _LIKE_PAPER = 0.004, 0.012
#: Views that disagree by more tell nothing of the scale.
_AGREES: Final = 0.05


def drawn_larger(sheet: BegunSheet) -> float | None:
    """How many times larger than its page a sheet was drawn; None where it is as large, or nothing tells.

    The scale that is stated has to be another than that of the views; and theirs has to be one nobody draws at, or the
    page, made that much larger, the paper that was asked for.
    """
    page, expected = sheet.content.page, sheet.expected
    stated = sheet.title.fields.get("scale") or expected.scale
    meant = parse_scale(stated) if stated else None
    fits = [group.fits[0] for group in sheet.groups if group.fits and group.fits[0].disagreement <= _AGREES]
    found = [fit.scale for fit in fits if fit.identity.attitude is not None]
    if page is None or meant is None or not found:
        return None
    scale = sorted(found)[len(found) // 2]
    factor = meant / scale
    if abs(factor - 1) <= _SAME or not all(abs(own / scale - 1) <= _SAME for own in found):
        return None
    wanted = sorted(sides(expected.paper, expected.landscape))
    fills = all(abs(factor * own / side - 1) <= _LIKE_PAPER for own, side in zip(sorted(page), wanted, strict=True))
    return factor if fills or not is_recommended(scale, expected.units) else None
