import { computed, type ComputedRef } from 'vue';
import { digits } from '../format';
import { useTheme } from '../theme/useTheme';

/** Colours and lettering of every plot, day and night. */
export interface ChartTheme {
  ink: string;
  water: string;
  line: string;
  text: { color: string; fontSize: number; fontFamily: string };
  /** An axis of figures. */
  axis: Record<string, unknown>;
}

/** The look of the workshop as a plot needs it; follows the light. */
export function useChartTheme(): ComputedRef<ChartTheme> {
  const { dark } = useTheme();
  return computed(() => {
    void dark.value;
    const style = getComputedStyle(document.documentElement);
    const colour = (name: string) => style.getPropertyValue(name).trim();
    const [ink, water, line] = [colour('--ink'), colour('--water'), colour('--line')];
    const text = { color: ink, fontSize: 15, fontFamily: 'Atkinson Hyperlegible Next' };
    return {
      ink,
      water,
      line,
      text,
      axis: {
        type: 'value',
        axisLabel: { ...text, formatter: (v: number) => digits(v) },
        nameTextStyle: text,
        axisLine: { lineStyle: { color: ink } },
        splitLine: { lineStyle: { color: line } },
      },
    };
  });
}
