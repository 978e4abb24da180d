/** Where the tracks of a fitting go on paper: two columns, row by row, on as many pages as they need. */

export interface TrackBox {
  /** Page, counted from 0; the first is the one that holds the views. */
  readonly page: number;
  readonly column: number;
  /** From the page's top to the label's, pt. */
  readonly top: number;
  /** From the page's top to the track's, pt. */
  readonly trackTop: number;
}

export interface TrackLayout {
  readonly columns: number;
  /** Where the first row begins on the first page, and on each page after it, pt. */
  readonly firstTop: number;
  readonly nextTop: number;
  /** Where the paper ends, pt. */
  readonly bottom: number;
  readonly trackHeight: number;
  /** Between rows, pt. */
  readonly gap: number;
}

/** @param labelHeights of the labels in the order of the tracks, pt: they may take several lines */
export function trackBoxes(labelHeights: readonly number[], layout: TrackLayout): TrackBox[] {
  const { columns, firstTop, nextTop, bottom, trackHeight, gap } = layout;
  const boxes: TrackBox[] = [];
  let [page, top] = [0, firstTop];
  for (let i = 0; i < labelHeights.length; i += columns) {
    const row = labelHeights.slice(i, i + columns);
    const labels = Math.max(...row);
    const height = labels + trackHeight;
    if (top + height > bottom) [page, top] = [page + 1, nextTop];
    // Tracks of one row are level, however many lines the labels above them take.
    for (let column = 0; column < row.length; column++)
      boxes.push({ page, column, top: top + labels - row[column]!, trackTop: top + labels });
    top += height + gap;
  }
  return boxes;
}
