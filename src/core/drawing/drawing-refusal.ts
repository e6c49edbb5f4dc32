/** Why a drawing was not read, and where. Lines count from 1. */
export type DrawingRefusal =
  | { readonly code: 'drawing-empty' }
  | { readonly code: 'drawing-too-large'; readonly bytes: number; readonly mostBytes: number }
  | { readonly code: 'drawing-unknown'; readonly found: string }
  | { readonly code: 'drawing-without-marks' }
  | { readonly code: 'drawing-too-many'; readonly count: number; readonly most: number }
  | { readonly code: 'dxf-binary' }
  | { readonly code: 'dxf-code-wrong'; readonly line: number; readonly found: string }
  | {
      readonly code: 'dxf-number-wrong';
      readonly line: number;
      readonly group: number;
      readonly found: string;
    }
  | { readonly code: 'dxf-cut-short'; readonly line: number }
  | { readonly code: 'svg-broken'; readonly line: number; readonly column: number; readonly what: string }
  | {
      readonly code: 'svg-number-wrong';
      readonly line: number;
      readonly attribute: string;
      readonly found: string;
    };
