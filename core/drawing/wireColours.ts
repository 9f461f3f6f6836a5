/** Insulation colours by their two-letter code; NA is bare or without a colour of its own. */
export const WIRE_COLOURS: Record<string, string> = {
  BK: '#1B1B1B',
  WH: '#F7F7F2',
  RD: '#C62B22',
  BU: '#2A5DB0',
  YE: '#E9C52B',
  OR: '#E07B1A',
  GN: '#2E7D3A',
  BN: '#6B4423',
  VT: '#7A4BA0',
  GY: '#8A8F92',
  PK: '#E59AAE',
  TN: '#C8A877',
  NA: '#B9BCBE',
};
