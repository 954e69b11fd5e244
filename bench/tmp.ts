import { parseScale, parseChord, makeKey, noteText, readNote, pitchText } from '../packages/core/src/theory';
import { must } from '../packages/core/src/kernel';
import { fretsText, parseFrets } from '../packages/core/src/grips';
import { standardGuitar as g, averageHand } from '../packages/core/src/fretboard';
import * as H from '../packages/core/src/harmony';
import * as S from '../packages/core/src/scales';
const c=(t:string)=>must(parseChord(t)); const k=(t:string)=>must(makeKey(t));
const base={hand:averageHand,instrument:g,maxEffort:60,bass:false,outside:'pass over' as const};
for (const [key,str,by,ch] of [['Eb major',2,'degree'],['Ab major',1,'degree'],['C major',1,'chord','G7'],['C major',1,'class','G7']] as any) {
 const t=performance.now();
 const r=H.harmonizeMelody({...base,key:k(key),melody:H.scaleMelody(k(key),str,2,base),by,chord:ch&&c(ch),string:str});
 const ms=performance.now()-t;
 console.log(key,by,ms.toFixed(0),r.map(n=>`${pitchText(n.pitch)}:${n.voicings[0]?n.voicings[0].chord.symbol+' '+fretsText(n.voicings[0].frets)+' '+n.voicings[0].top+'('+n.voicings.length+')':n.passed}`).join(' | '));
}
const r=H.harmonizeMelody({...base,bass:true,maxEffort:70,key:k('G'),melody:must(H.readMelody('B4 B4 G4 B4',64)),by:'degree',string:1});
console.log(r.map(n=>n.voicings.map(v=>v.chord.symbol+' '+fretsText(v.frets)).join(' ')).join('\n'));
const f=must(parseFrets('133211'));
for (const a of S.aroundForm(f,c('F'),g)) console.log(a.kind,a.position,[6,5,4,3,2,1].map(n=>n+': '+a.notes.filter(x=>6-x.stringIndex===n).map(x=>`${x.fret}${x.role==='five'?'':x.role==='fills'?'+':'*'}`).join(' ')).join(' | '));
for (const st of S.LINE_STYLES) console.log(st, S.turnsAround(f,c('F'),st,g,must(parseFrets('x13331'))).map(t=>`${t.kind} ${t.degrees.join('>')} ${t.from.map(s=>6-s.stringIndex+'/'+s.fret).join('+')}>${t.to.map(s=>6-s.stringIndex+'/'+s.fret).join('+')}${t.leadsOn?'*':''}`).join(', '));
