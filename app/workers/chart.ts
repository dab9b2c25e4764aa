/** Draws charts away from the page, as SVG to be put into it. */
import { expose } from 'comlink'
import { LineChart, ScatterChart } from 'echarts/charts'
import { GridComponent, MarkLineComponent } from 'echarts/components'
import type { EChartsCoreOption } from 'echarts/core'
import * as echarts from 'echarts/core'
import { SVGRenderer } from 'echarts/renderers'

echarts.use([LineChart, ScatterChart, GridComponent, MarkLineComponent, SVGRenderer])

export interface ChartWorker {
  /** An SVG element of that size in CSS pixels. Fails where the option is none that can be drawn. */
  readonly draw: (option: EChartsCoreOption, widthPx: number, heightPx: number) => string
}

/** What is styled within a picture is refused by the page; attributes say the same. */
function withoutStyles(svg: string): string {
  return svg.replace(/<style.*<\/style>/s, '').replaceAll(/ style="([^"]*)"/g, (_, css: string) =>
    css
      .split(';')
      .map((rule) => rule.split(':'))
      .map(([name, value]) => (name && value ? ` ${name}="${value}"` : ''))
      .join(''),
  )
}

const worker: ChartWorker = {
  draw: (option, width, height) => {
    const chart = echarts.init(null, null, { renderer: 'svg', ssr: true, width, height })
    try {
      chart.setOption({ animation: false, textStyle: { fontFamily: 'inherit' }, ...option })
      return withoutStyles(chart.renderToSVGString())
    } finally {
      chart.dispose()
    }
  },
}

expose(worker)
