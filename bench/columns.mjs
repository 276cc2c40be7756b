/* A comparable picture by echarts on Node, server-side SVG: columns of actual, forecast and budget, variances above. */
import { readFileSync } from 'node:fs'
import * as echarts from 'echarts'

const rows = readFileSync(new URL('../demo/net-revenue.csv', import.meta.url), 'utf8')
  .trim()
  .split('\n')
  .slice(1)
  .map(line => line.split(','))
const months = Array.from({ length: 12 }, (_, i) => `2026-${String(i + 1).padStart(2, '0')}`)
const sum = (month, column) =>
  rows.filter(row => row[0] === month).reduce((total, row) => total + Number(row[column] || 0), 0)

export function draw() {
  const actual = months.map((month, i) => (i < 8 ? sum(month, 2) : null))
  const forecast = months.map((month, i) => (i < 8 ? null : sum(month, 4)))
  const budget = months.map(month => sum(month, 3))
  const variance = months.map((_, i) => (actual[i] ?? forecast[i]) - budget[i])
  const chart = echarts.init(null, null, { renderer: 'svg', ssr: true, width: 880, height: 560 })
  const label = { show: true, position: 'top' }
  const colour = item => (item.value < 0 ? '#B8370F' : '#1F9E8F')
  chart.setOption({
    animation: false,
    grid: [
      { top: 40, height: 60 },
      { top: 140, height: 60 },
      { top: 240, height: 280 },
    ],
    xAxis: [0, 1, 2].map(gridIndex => ({ type: 'category', data: months, gridIndex })),
    yAxis: [0, 1, 2].map(gridIndex => ({ type: 'value', gridIndex, show: false })),
    series: [
      {
        type: 'bar',
        xAxisIndex: 0,
        yAxisIndex: 0,
        barWidth: 2,
        data: variance.map((v, i) => (100 * v) / budget[i]),
        label,
        itemStyle: { color: colour },
      },
      { type: 'bar', xAxisIndex: 1, yAxisIndex: 1, data: variance, label, itemStyle: { color: colour } },
      {
        type: 'bar',
        xAxisIndex: 2,
        yAxisIndex: 2,
        data: budget,
        itemStyle: { color: '#fff', borderColor: '#23272E' },
        barGap: '-75%',
      },
      {
        type: 'bar',
        xAxisIndex: 2,
        yAxisIndex: 2,
        data: actual,
        stack: 'shown',
        label,
        itemStyle: { color: '#23272E' },
      },
      {
        type: 'bar',
        xAxisIndex: 2,
        yAxisIndex: 2,
        data: forecast,
        stack: 'shown',
        label,
        itemStyle: { color: '#8a8f96' },
      },
    ],
  })
  const svg = chart.renderToSVGString()
  chart.dispose()
  return svg
}

if (process.argv[2] === '--warm') {
  for (let i = 0; i < 100; i++) draw()
  const spent = []
  for (let i = 0; i < 300; i++) {
    const start = performance.now()
    draw()
    spent.push(performance.now() - start)
  }
  console.log(JSON.stringify({ warm: spent.sort((a, b) => a - b)[150], bytes: draw().length }))
} else {
  process.stdout.write(draw())
}
