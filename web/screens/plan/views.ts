/** The views of the plan beside the page itself: tables, drawings and charts are heavy, and looked at now and then. */
export const PLAN_VIEWS = {
  structure: () => import('./structure/StructureView.vue'),
  inventory: () => import('./inventory/InventoryView.vue'),
  addresses: () => import('./addresses/AddressesView.vue'),
  statistics: () => import('./statistics/StatisticsView.vue'),
  history: () => import('./history/HistoryView.vue'),
} as const
