import { BarChart, LineChart, ScatterChart } from 'echarts/charts';
import { GridComponent, MarkLineComponent, TooltipComponent } from 'echarts/components';
import { init, use } from 'echarts/core';
import { SVGRenderer } from 'echarts/renderers';

// Only the parts that are drawn with; the module is loaded when a chart is on the page.
use([BarChart, LineChart, ScatterChart, GridComponent, MarkLineComponent, TooltipComponent, SVGRenderer]);

const INK = '#14213d';
const QUIET = '#55617a';
const RULE = '#cfe0cf';
const LOSS = '#b0472f';
/** The axis of weights begins and ends on a round figure. */
const ROUND_G = 5;

/** Draws values that hold until the next one; the result takes the drawing away. */
export function drawSteps(
	element: HTMLElement,
	points: [day: string, value: number][],
	words: (value: number) => string
): () => void {
	const chart = init(element, undefined, { renderer: 'svg' });
	chart.setOption({
		animation: false,
		grid: { left: 64, right: 12, top: 12, bottom: 24 },
		tooltip: { trigger: 'axis', valueFormatter: (value: unknown) => words(Number(value)) },
		xAxis: {
			type: 'time',
			axisLine: { lineStyle: { color: RULE } },
			axisLabel: { color: QUIET, hideOverlap: true }
		},
		yAxis: {
			type: 'value',
			scale: true,
			splitNumber: 3,
			splitLine: { lineStyle: { color: RULE } },
			axisLabel: { color: QUIET, formatter: words }
		},
		series: [{ type: 'line', step: 'end', data: points, symbolSize: 6, color: INK, lineStyle: { width: 2 } }]
	});
	return followed(element, chart);
}

const WATER = '#5ba7c7';

/** Draws how often each amount would be found, brick where it is beyond the law's bound, with lines across. */
export function drawFound(
	element: HTMLElement,
	bins: { from: number; step: number; counts: number[] },
	isBeyond: (value: number) => boolean,
	lines: { value: number; name: string; isBound: boolean }[],
	words: (value: number) => string
): () => void {
	const chart = init(element, undefined, { renderer: 'svg' });
	const total = bins.counts.reduce((sum, count) => sum + count, 0);
	const middle = (bin: number) => bins.from + (bin + 0.5) * bins.step;
	chart.setOption({
		animation: false,
		grid: { left: 12, right: 12, top: 34, bottom: 24 },
		tooltip: {
			trigger: 'item',
			formatter: ({ value }: { value: [number, number] }) =>
				`about ${words(value[0])}: ${Math.round((value[1] / total) * 1000) / 10} in 100`
		},
		xAxis: {
			type: 'value',
			min: Math.min(bins.from, ...lines.map(({ value }) => value)),
			max: Math.max(bins.from + bins.counts.length * bins.step, ...lines.map(({ value }) => value)),
			splitNumber: 4,
			splitLine: { show: false },
			axisLine: { lineStyle: { color: RULE } },
			axisLabel: {
				color: QUIET,
				hideOverlap: true,
				formatter: words,
				showMinLabel: false,
				showMaxLabel: false
			}
		},
		yAxis: { type: 'value', show: false },
		series: [
			{
				type: 'bar',
				barWidth: '98%',
				barCategoryGap: 0,
				data: bins.counts.map((count, bin) => ({
					value: [middle(bin), count],
					itemStyle: { color: isBeyond(middle(bin)) ? LOSS : WATER }
				})),
				markLine: {
					symbol: 'none',
					silent: true,
					data: lines.map(({ value, name, isBound }, nth) => ({
						xAxis: value,
						lineStyle: { color: isBound ? LOSS : INK, type: isBound ? 'solid' : 'dashed', width: 2 },
						label: {
							formatter: name,
							color: isBound ? LOSS : INK,
							position: 'end',
							distance: nth % 2 === 0 ? 2 : 15
						}
					}))
				}
			}
		]
	});
	return followed(element, chart);
}

/** Draws weights in the order they were weighed, with limits across; too light ones stand out by shape too. */
export function drawWeights(
	element: HTMLElement,
	weights: { value: number; isShort: boolean }[],
	limits: { value: number; name: string }[]
): () => void {
	return drawPoints(
		element,
		weights.map(({ value, isShort }, index) => ({ value, stands: isShort, name: String(index + 1) })),
		limits,
		{ words: (value) => `${value} g`, round: ROUND_G, joined: false }
	);
}

/** Draws a figure from batch to batch with what is usual of it; what stands out does so by shape too. */
export function drawControl(
	element: HTMLElement,
	points: { value: number; stands: boolean; name: string }[],
	limits: { value: number; name: string }[],
	words: (value: number) => string,
	round: number
): () => void {
	return drawPoints(element, points, limits, { words, round, joined: true });
}

/** Points in their order with lines across: the first solid, the others dashed. */
function drawPoints(
	element: HTMLElement,
	points: { value: number; stands: boolean; name: string }[],
	limits: { value: number; name: string }[],
	{ words, round, joined }: { words: (value: number) => string; round: number; joined: boolean }
): () => void {
	const chart = init(element, undefined, { renderer: 'svg' });
	const values = [...points.map((point) => point.value), ...limits.map((limit) => limit.value)];
	const air = Math.max(round / 5, (Math.max(...values) - Math.min(...values)) * 0.1);
	chart.setOption({
		animation: false,
		// Words stand at the end of the lines across.
		grid: { left: 56, right: limits.length > 0 ? 150 : 24, top: 12, bottom: 24 },
		tooltip: {
			trigger: 'item',
			formatter: ({ value }: { value: [number, number] }) =>
				`${points[value[0] - 1]?.name ?? ''}: ${words(value[1])}`
		},
		xAxis: {
			type: 'value',
			min: 0,
			max: points.length + 1,
			interval: 1,
			splitLine: { show: false },
			axisLine: { lineStyle: { color: RULE } },
			axisLabel: {
				color: QUIET,
				hideOverlap: true,
				formatter: (value: number) => points[value - 1]?.name ?? ''
			}
		},
		yAxis: {
			type: 'value',
			min: Math.floor((Math.min(...values) - air) / round) * round,
			max: Math.ceil((Math.max(...values) + air) / round) * round,
			splitNumber: 4,
			splitLine: { lineStyle: { color: RULE } },
			axisLabel: { color: QUIET, formatter: words }
		},
		series: [
			{
				type: joined ? 'line' : 'scatter',
				lineStyle: { color: RULE, width: 1.5 },
				data: points.map(({ value, stands }, index) => ({
					value: [index + 1, value],
					symbol: stands ? 'triangle' : 'circle',
					symbolSize: stands ? 13 : joined ? 7 : 9,
					itemStyle: { color: stands ? LOSS : INK }
				})),
				markLine: {
					symbol: 'none',
					silent: true,
					label: { position: 'end', color: INK, formatter: ({ name }: { name: string }) => name },
					lineStyle: { color: INK, type: 'solid' },
					data: limits.map((limit, index) => ({
						yAxis: limit.value,
						name: limit.name,
						...(index === 0 ? {} : { lineStyle: { color: LOSS, type: 'dashed' } })
					}))
				}
			}
		]
	});
	return followed(element, chart);
}

/** Keeps a chart as wide as its element; what takes it away again. */
function followed(element: HTMLElement, chart: ReturnType<typeof init>): () => void {
	const resize = new ResizeObserver(() => chart.resize());
	resize.observe(element);
	return () => {
		resize.disconnect();
		chart.dispose();
	};
}
