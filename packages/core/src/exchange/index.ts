export { fileName, writeMusicXml, type GripOnChart } from './write-musicxml';
export { XML_LIMITS } from './xml-gate';
export { readMusicXml, type Imported, type NotTaken } from './read-musicxml';
export { MIDI_LIMITS, readMidi, writeMidi } from './midi';
export { readChordsOverWords } from './chords-over-words';
export { readTab } from './read-tab';
