export { drawPages, drawSingle, type PaperCard, type PaperPage } from './card-page';
export { drawChart, type ChartPaperGrip, type ChartPaperOptions } from './chart-pages';
export { PAPER_INKS, writeSvg, type PaperFonts } from './write-svg';
