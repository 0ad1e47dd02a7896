import { demoStudy } from './demo/skerrow';
import { answer } from './src/core/answer/answer';
import { checksOf } from './src/core/answer/checks-of';
import { checkSentence } from './src/core/words/checks';
import { othersOf } from './src/core/answer/others';
import { workingOf } from './src/core/answer/working-of';
import { headline } from './src/core/words/headline';
import { hypotheses } from './src/core/words/hypotheses';
import { methodsSentence, resultsSentence, figureLegend } from './src/core/words/report';
import { resultTables } from './src/core/words/result-table';
import { defaultFigureStyle } from './src/core/scenes/figure-style';
import { questionSentence, shortQuestion } from './src/core/words/question';
import { plain } from './src/core/words/text';
import { lookScene } from './src/core/scenes/look';
import { layout } from './src/charts/layout';
for (const { table, questions } of demoStudy().tables) for (const { question } of questions) {
  if (!question.about) continue;
  const r = answer(question, table); if (!r.ok) { console.log('NO', r.reason); continue; }
  const a = r.value; console.log('\n##', shortQuestion(a)); console.log(questionSentence(a));
  if (!a.comparison.ok) { console.log(a.comparison.reason); continue; }
  const c = a.comparison.value; const h = headline(a, c);
  console.log(h.estimate, '|', h.interval, '|', h.order, '|', plain(h.sentence), '|', plain(h.test));
  console.log('M:', plain(methodsSentence(a))); console.log('R:', plain(resultsSentence(a, c))); console.log('L:', plain(figureLegend(a, defaultFigureStyle)));
  for (const k of checksOf(a)) console.log('C:', k.about, k.verdict, checkSentence(k, a));
  for (const o of othersOf(question, table)) console.log('O:', o.asked.method, o.chosen, o.found.ok && o.found.value.comparison.ok ? o.found.value.comparison.value.p : (o.found as any).reason ?? (o.found as any).value.comparison.reason);
  console.log('W:', workingOf(a, table).map(w => `${w.title} ${w.steps.length}`)); console.log('H:', hypotheses(a).none.words, hypotheses(a).none.tex);
  console.log('T:', resultTables(a).map(t => t.title + ' ' + t.rows.length)); console.log('D:', layout(lookScene(a, 690)).shapes.length);
}
