/** Styles of lines around a grip. */
export const LINE_STYLES = ['folk', 'country', 'blues', 'soul', 'rock', 'jazz', 'classical'] as const;
export type LineStyle = (typeof LINE_STYLES)[number];
