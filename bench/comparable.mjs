/* Pictures comparable to each kind by echarts on Node, server-side SVG, over 24 periods; from numbers that are already summed. */
import * as echarts from 'echarts'

const months = Array.from(
  { length: 24 },
  (_, i) => `${2025 + Math.floor(i / 12)}-${String((i % 12) + 1).padStart(2, '0')}`,
)
const value = months.map((_, i) => Math.round(600000 + 300000 * Math.sin(i / 2)))
const budget = value.map((v, i) => Math.round(v * (1 + ((i * 7) % 11) / 100 - 0.05)))
const variance = value.map((v, i) => v - budget[i])
const label = { show: true, position: 'top' }
const colour = item => (item.value < 0 ? '#B8370F' : '#1F9E8F')
const bar = (data, grid, more = {}) => ({ type: 'bar', xAxisIndex: grid, yAxisIndex: grid, data, ...more })
const line = (data, grid, more = {}) => ({ type: 'line', xAxisIndex: grid, yAxisIndex: grid, data, ...more })
const percent = variance.map((v, i) => (100 * v) / budget[i])

/** Floating bars by the usual way of a general chart: an invisible base, rises and falls stacked on it. */
const floating = steps => {
  const running = steps.reduce((all, one) => [...all, all.at(-1) + one], [2_000_000])
  const base = steps.map((one, i) => Math.min(running[i], running[i + 1]))
  const hidden = { itemStyle: { color: 'transparent' } }
  return [
    bar(base, 0, { stack: 'all', ...hidden }),
    bar(
      steps.map(one => Math.max(0, one)),
      0,
      { stack: 'all', label, itemStyle: { color: '#1F9E8F' } },
    ),
    bar(
      steps.map(one => Math.max(0, -one)),
      0,
      { stack: 'all', label, itemStyle: { color: '#B8370F' } },
    ),
  ]
}

const pictures = {
  'build-up': [1, floating(value)],
  bridge: [1, floating(variance.slice(0, 12))],
  bullet: [
    1,
    [
      ...['#C6C0B4', '#D6D1C7', '#E4E0D8'].map((color, i) =>
        bar(
          budget.map(one => one * [0.85, 0.1, 0.15][i]),
          0,
          { stack: 'bands', barWidth: 24, itemStyle: { color } },
        ),
      ),
      bar(value, 0, { label, barWidth: 10, barGap: '-150%' }),
      { type: 'scatter', data: budget, symbol: 'rect', symbolSize: [20, 3] },
    ],
  ],
  gauge: [
    0,
    value.map((one, i) => ({
      type: 'gauge',
      startAngle: 180,
      endAngle: 0,
      center: [`${12 + (i % 6) * 15}%`, i < 6 ? '30%' : '75%'],
      radius: 60,
      max: 1000,
      pointer: { show: false },
      progress: { show: true },
      axisLine: {
        lineStyle: {
          color: [
            [0.85, '#C6C0B4'],
            [0.95, '#D6D1C7'],
            [1, '#E4E0D8'],
          ],
        },
      },
      data: [{ value: one }],
    })),
  ],
  thermometer: [
    1,
    [
      bar([1445], 0, { stack: 'tube', label, barWidth: 42 }),
      bar([555], 0, { stack: 'tube', label, itemStyle: { color: '#fff', borderColor: '#23272E' } }),
      { type: 'scatter', data: [1333], symbol: 'triangle', symbolSize: 8, label },
      { type: 'scatter', data: [2000], symbol: 'rect', symbolSize: [54, 3], label },
    ],
  ],
  progress: [
    1,
    [
      bar(value.slice(0, 6), 0, { label, barWidth: 15 }),
      bar(budget.slice(0, 6), 0, { barGap: '-100%', itemStyle: { color: '#fff', borderColor: '#A9ADB2' } }),
      { type: 'scatter', data: budget.slice(0, 6), symbol: 'rect', symbolSize: [2, 20] },
    ],
  ],
  'comparison-table': [
    5,
    [
      bar(value.slice(0, 6), 0, { label }),
      bar(budget.slice(0, 6), 1, { label }),
      bar(variance.slice(0, 6), 2, { label, itemStyle: { color: colour } }),
      bar(percent.slice(0, 6), 3, { label, barWidth: 2, itemStyle: { color: colour } }),
      line(value, 4),
    ],
  ],
  'variance-tiers': [
    3,
    [
      bar(percent, 0, { barWidth: 2, label, itemStyle: { color: colour } }),
      bar(variance, 1, { label, itemStyle: { color: colour } }),
      bar(budget, 2, { itemStyle: { color: '#fff', borderColor: '#23272E' }, barGap: '-75%' }),
      bar(value, 2, { label }),
    ],
  ],
  'nested-columns': [
    1,
    [
      bar(budget, 0, { label, barGap: '-100%', barWidth: 24, itemStyle: { color: '#fff', borderColor: '#23272E' } }),
      bar(value, 0, { label, barWidth: 14 }),
    ],
  ],
  'target-marks': [
    1,
    [bar(value, 0, { label }), { type: 'scatter', data: budget, symbol: 'rect', symbolSize: [26, 3], label }],
  ],
  'gap-line': [1, [line(value, 0, { label }), line(budget, 0), bar(variance, 0, { itemStyle: { color: colour } })]],
  hat: [1, [bar(budget, 0, { label }), bar(variance, 0, { label, itemStyle: { color: colour } })]],
  'capacity-fill': [
    2,
    [
      line(percent, 0, { label }),
      { type: 'scatter', data: percent, symbol: 'rect', symbolSize: [16, 2] },
      bar(value, 1, { stack: 'all', label }),
      bar(budget, 1, { stack: 'all', itemStyle: { color: '#fff', borderColor: '#23272E' } }),
    ],
  ],
}

function draw(kind) {
  const [grids, series] = pictures[kind]
  const chart = echarts.init(null, null, { renderer: 'svg', ssr: true, width: 880, height: 560 })
  chart.setOption({
    animation: false,
    grid: Array.from({ length: grids }, (_, i) => ({ top: 40 + (i * 480) / grids, height: 400 / grids })),
    xAxis: Array.from({ length: grids }, (_, gridIndex) => ({ type: 'category', data: months, gridIndex })),
    yAxis: Array.from({ length: grids }, (_, gridIndex) => ({ type: 'value', gridIndex, show: false })),
    series,
  })
  const svg = chart.renderToSVGString()
  chart.dispose()
  return svg
}

const kind = process.argv[2]
if (process.argv[3] === '--once') {
  process.stdout.write(draw(kind))
  process.exit()
}
const spent = []
for (let i = 0; i < 250; i++) {
  const start = performance.now()
  draw(kind)
  if (i >= 100) spent.push(performance.now() - start)
}
console.log(JSON.stringify(spent.sort((a, b) => a - b)[75]))
