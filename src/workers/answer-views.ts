/** What a page shows of an answer and takes long to draw or to judge where readings are many. */
import { drawnPlate } from '../charts/drawn-plate';
import { layout } from '../charts/layout';
import type { Answer } from '../core/answer/answer';
import { checkedValues, checksOf } from '../core/answering/checks-of';
import { defaultFigureStyle } from '../core/figures/default-style';
import type { FigureStyle } from '../core/figures/figure-style';
import { figureLegend } from '../core/figures/legend';
import { checkPicture } from '../core/scenes/check-picture';
import { lookScene } from '../core/telling/look';
import { methodsSentence, resultsSentence } from '../core/telling/report';
import type { TableView, View } from '../core/scenes/views';
import type { Text } from '../core/words/text';

const answerViews = {
  /** The picture of the answer, laid out. */
  look: (answer: Answer, width: number, sorted: boolean, view: View | TableView, from: string | null = null) =>
    layout(lookScene(answer, width, { sorted, from: from ?? undefined }, view)),
  /** What the answer rests on, each with its small picture where it has one. */
  checks: (answer: Answer) => {
    const values = checkedValues(answer);
    return checksOf(answer).map((check) => {
      const picture = checkPicture(check, values);
      return { check, picture: picture && layout(picture) };
    });
  },
  /** Its sentences for the paper; results only where there are any. */
  telling: (answer: Answer): { methods: Text; results?: Text; legend: Text } => ({
    methods: methodsSentence(answer),
    ...(answer.comparison.ok ? { results: resultsSentence(answer, answer.comparison.value) } : {}),
    legend: figureLegend(answer, defaultFigureStyle),
  }),
  /** A figure of the answer alone. */
  figure: (answer: Answer, style: FigureStyle) => drawnPlate({ answer, style }),
};

type Views = typeof answerViews;
export type ViewName = keyof Views;
export type ViewArguments<K extends ViewName> = Views[K] extends (answer: Answer, ...rest: infer A) => unknown
  ? A
  : never;
export type ViewOf<K extends ViewName> = ReturnType<Views[K]>;

/** Draws one of them. */
export const answerView = <K extends ViewName>(name: K, answer: Answer, rest: ViewArguments<K>): ViewOf<K> =>
  (answerViews[name] as (answer: Answer, ...rest: unknown[]) => ViewOf<K>)(answer, ...rest);
