/**
 * Tables that cannot be read outside. A place that a rule names and that is not there is a fault of the
 * program and not a nought: reading it throws.
 */

/** Anything but what a reading outside gives. */
type Cell = object | string | number | boolean | null;

/** One of a list. Throws where the list has no such place. */
export function cellOf<T extends Cell>(cells: ArrayLike<T>, place: number): T {
  const cell = cells[place];
  if (cell === undefined) throw new RangeError(`place ${place} of ${cells.length}`);
  return cell;
}

/** Rows of cells, all of one width. */
export class Grid<T extends Cell> {
  private readonly cells: T[];

  constructor(
    readonly height: number,
    readonly width: number,
    of: (row: number, column: number) => T,
  ) {
    this.cells = Array.from({ length: height * width }, (_, place) =>
      of(Math.floor(place / width), place % width),
    );
  }

  private placeOf(row: number, column: number): number {
    if (row >= 0 && row < this.height && column >= 0 && column < this.width) return row * this.width + column;
    throw new RangeError(`row ${row}, column ${column} of ${this.height} × ${this.width}`);
  }

  at(row: number, column: number): T {
    return cellOf(this.cells, this.placeOf(row, column));
  }

  put(row: number, column: number, value: T): void {
    this.cells[this.placeOf(row, column)] = value;
  }

  row(row: number): readonly T[] {
    const from = this.width === 0 ? 0 : this.placeOf(row, 0);
    return this.cells.slice(from, from + this.width);
  }

  putRow(row: number, values: readonly T[]): void {
    values.forEach((value, column) => this.put(row, column, value));
  }

  copy(): Grid<T> {
    return new Grid(this.height, this.width, (row, column) => this.at(row, column));
  }
}
