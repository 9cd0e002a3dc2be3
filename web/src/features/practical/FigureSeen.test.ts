import { flushPromises, mount } from '@vue/test-utils'
import { createPinia, setActivePinia } from 'pinia'
import { beforeEach, expect, it, vi } from 'vitest'
import TableFigure from '@/parts/TableFigure.vue'
import { useSession } from '../session/useSession'
import FigureSeen from './FigureSeen.vue'

beforeEach(() => setActivePinia(createPinia()))

function seen() {
  const capture = { touch: vi.fn(), structure: vi.fn(), depth: vi.fn(), tool: vi.fn() }
  const step = { id: 's1', position: 'prone', zones: ['calf'], sheet: 'open' }
  const progress = {
    current: { step, span: { side: 'right', open: [] } },
    tiles: [],
    spared: [],
    caution: '',
  }
  useSession().catalogue = {
    structures: [
      { id: 'soleus', name: 'Soleus' },
      { id: 'gastrocnemius', name: 'Calf muscle' },
    ],
    tools: [],
  } as never
  const page = mount(FigureSeen, { props: { progress, capture, keyed: true } as never })
  const button = (name: string) => page.findAll('button').find((b) => b.text() === name)
  return {
    page,
    capture,
    button,
    touch: (under: string[]) => page.findComponent(TableFigure).vm.$emit('touch', 'calf', 'right', under),
  }
}

it('asks which one it was where several lie, and nothing where it is one', async () => {
  const { page, capture, button, touch } = seen()
  touch(['soleus'])
  await flushPromises()
  expect(capture.touch).toHaveBeenLastCalledWith('calf', 'right', ['soleus'])
  expect(page.text()).not.toContain('which one?')
  touch(['gastrocnemius', 'soleus'])
  await flushPromises()
  expect(capture.touch).toHaveBeenLastCalledWith('calf', 'right', ['gastrocnemius', 'soleus'])
  expect(button('Calf muscle')!.exists()).toBe(true)
  await button('Soleus')!.trigger('click')
  expect(capture.structure).toHaveBeenCalledExactlyOnceWith('soleus')
  expect(page.text()).not.toContain('which one?')
  touch(['gastrocnemius', 'soleus'])
  await flushPromises()
  await button('cannot tell')!.trigger('click')
  expect(capture.structure).toHaveBeenCalledTimes(1)
  expect(page.find('[title="depth 3 seen"]').exists()).toBe(true)
})

it('asks no more when it is looked at as a whole again', async () => {
  const { page, button, touch } = seen()
  await button('Closer')!.trigger('click')
  expect(page.findComponent(TableFigure).props('closeUp')).toBe(true)
  touch(['gastrocnemius', 'soleus'])
  await flushPromises()
  expect(page.text()).toContain('which one?')
  await button('Whole')!.trigger('click')
  expect(page.text()).not.toContain('which one?')
})
