import {
  columnFilteringFeature,
  columnVisibilityFeature,
  createFilteredRowModel,
  createSortedRowModel,
  globalFilteringFeature,
  rowSortingFeature,
  sortFn_alphanumeric,
  sortFn_text,
  tableFeatures,
} from '@tanstack/react-table'

/** What a table of this product can do; no more of the package is fetched. */
export const features = tableFeatures({
  columnFilteringFeature,
  globalFilteringFeature,
  columnVisibilityFeature,
  rowSortingFeature,
  filteredRowModel: createFilteredRowModel(),
  sortedRowModel: createSortedRowModel(),
  // Numbers are sorted by their size, texts with figures as one reads them, 2 before 10: the table looks which it has.
  sortFns: { alphanumeric: sortFn_alphanumeric, text: sortFn_text },
})
