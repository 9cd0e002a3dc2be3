import { describe, expect, it } from 'vitest'
import type { Schema } from '@/api/client'
import { piled, pileKey } from './piles'

const finding = (rule: string, step: string, severity = 'warn') =>
  ({ finding: { key: `${rule}@${step}`, rule, severity, where: { step } } }) as Schema['CheckView']
const keys = (piles: Schema['CheckView'][][]) => piles.map((p) => p.map((f) => f.finding.key))

describe('findings', () => {
  it('of one rule stand together from three on, where the first of them stood', () => {
    const all = [
      finding('A', '1'),
      finding('B', '2'),
      finding('A', '3'),
      finding('C', '4'),
      finding('A', '5'),
    ]
    expect(keys(piled(all))).toEqual([['A@1', 'A@3', 'A@5'], ['B@2'], ['C@4']])
  })
  it('of two are left where they are', () => {
    expect(keys(piled([finding('A', '1'), finding('B', '2'), finding('A', '3')]))).toEqual([
      ['A@1'],
      ['B@2'],
      ['A@3'],
    ])
  })
  it('stand under one key while they are mended one by one, and a single one under its own', () => {
    const all = ['1', '2', '3', '4'].map((step) => finding('A', step))
    expect(piled(all).map(pileKey)).toEqual(['warn A'])
    expect(piled(all.slice(1)).map(pileKey)).toEqual(['warn A'])
    expect(piled(all.slice(2)).map(pileKey)).toEqual(['A@3', 'A@4'])
  })
  it('of another weight are not hidden behind a lighter one', () => {
    const all = [finding('A', '1', 'stop'), finding('A', '2'), finding('A', '3'), finding('A', '4')]
    expect(keys(piled(all))).toEqual([['A@1'], ['A@2', 'A@3', 'A@4']])
  })
})
