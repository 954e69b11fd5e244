export { drawPages, drawSingle, type PaperCard, type PaperPage } from './card-page';
export { drawChart, type ChartPaperGrip, type ChartPaperOptions } from './chart-pages';
export { PAPER_INKS, writeSvg, type PaperFonts } from './write-svg';
export { circleMarks, drawKeySheet, keysFor, type KeySheetOptions } from './key-sheet';
export { drawScaleSheet, type ScaleSheetNeck } from './scale-sheet';
export { drawDrillSheet, type DrillSheetOptions } from './drill-sheet';
export { STAFF_WIDTH, type DrillSheetContent } from './sheet-pieces';
export { drawWeekSheet, type WeekSheetDrill, type WeekSheetOptions } from './week-sheet';
