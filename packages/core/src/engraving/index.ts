export { engrave, staffLines, type StaffDrawing } from './engrave';
