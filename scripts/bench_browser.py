"""Speed rows of the interface: how a drag at the bench keeps up with the screen."""

import math
import re
import sys
import tempfile
from itertools import pairwise
from pathlib import Path

sys.path.insert(0, str(Path(__file__).resolve().parent.parent))

from playwright.sync_api import Page, sync_playwright
from tests.server_process import BROWSER, CHROMIUM, free_port, new_page, running

#: Plain software painting: a graphics card can only be faster, an emulated one (as the tests use) is slower.
_PLAIN = [flag for flag in CHROMIUM if "swiftshader" not in flag and "gpu" not in flag] + ["--disable-gpu"]
_VIEWS, _DIMENSIONS = 6, 80
_MOVES = 120
_FRAME_MS = 1000 / 60

_CROWD = """async ([views, wanted]) => {
  const get = async (path) => (await fetch(path)).json();
  const { document, revision } = await get('/api/exercises/1/sheet');
  const { token } = await get('/api/me');
  const own = document.dimensions;
  document.dimensions = Array.from({ length: wanted }, (_, k) => {
    const { place, ...rest } = own[k % own.length];
    return { ...rest, id: `d${k + 1}`, place: [place[0], place[1] + 0.7 * k] };
  });
  const folded = document.views.filter((view) => view.parent);
  for (let k = 0; document.views.length < views; k++) {
    const { at, ...rest } = folded[k % folded.length];
    document.views.push({ ...rest, id: `more${k}`, at: [at[0] + 6 * (k + 1), at[1] - 6 * (k + 1)] });
  }
  await fetch('/api/exercises/1/sheet', {
    method: 'PUT',
    headers: { 'content-type': 'application/json', 'x-maqueta-token': token },
    body: JSON.stringify({ document, base: revision }),
  });
  return document.views.length;
}"""
_COUNT_FRAMES = """() => {
  window.frameTimes = [];
  const frame = (at) => { window.frameTimes.push(at); requestAnimationFrame(frame); };
  requestAnimationFrame(frame);
}"""


def drag_frames(page: Page) -> tuple[int, list[float]]:
    """Views on the sheet, and the times (ms) between frames while a view is dragged."""
    page.goto("/exercises/1/bench")
    views = page.evaluate(_CROWD, [_VIEWS, _DIMENSIONS])
    page.reload()
    page.get_by_label("Stages").get_by_role("button", name=re.compile(r"^\d Views")).click()
    grip = page.locator('[data-role="view"][data-id="v1"] rect').last
    grip.wait_for()
    page.wait_for_timeout(1500)
    box = grip.bounding_box()
    assert box is not None
    x, y = box["x"] + box["width"] / 2, box["y"] + box["height"] / 2
    page.mouse.move(x, y)
    page.mouse.down()
    page.evaluate(_COUNT_FRAMES)
    for step in range(_MOVES):
        page.mouse.move(x + 40 * math.sin(step / 8), y + 20 * math.cos(step / 8))
    times: list[float] = page.evaluate("window.frameTimes")
    page.mouse.up()
    return views, sorted(after - before for before, after in pairwise(times))


def main() -> None:
    """Print the rows."""
    port = free_port()
    with tempfile.TemporaryDirectory() as folder, running(Path(folder) / "var", port), sync_playwright() as playwright:
        browser = playwright.chromium.launch(executable_path=BROWSER, args=_PLAIN)
        views, frames = drag_frames(new_page(browser, f"http://127.0.0.1:{port}", "iker.valtierra"))
        browser.close()
    ninth = frames[len(frames) * 9 // 10]
    what = f"frame while dragging, {views} views, {_DIMENSIONS} dimensions, 9 of 10"
    met = "yes" if ninth < 1.2 * _FRAME_MS else "NO"
    print(f"{what:<58} {f'{ninth:.1f} ms':>22} {f'{_FRAME_MS:.1f} ms':>22}  {met}")


if __name__ == "__main__":
    main()
