import type { AddressInfo } from 'node:net'
import { afterEach, beforeEach, describe, expect, it } from 'vitest'
import { Breaker } from '../../server/supplier/breaker'
import { SupplierAway, SupplierClient } from '../../server/supplier/client'
import { supplierServer } from './server'
import { Supplier, WELL } from './supplier'

/** Short, so that a test of patience is none. */
const QUICK = { timeout: 250, waits: [10, 20] }

describe('a supplier by wire', () => {
  let supplier: Supplier
  let close: () => void
  let client: SupplierClient
  let now = 0
  beforeEach(async () => {
    supplier = new Supplier()
    const server = supplierServer(supplier)
    await new Promise<void>((resolve) => server.listen(0, '127.0.0.1', resolve))
    close = () => {
      server.closeAllConnections()
      server.close()
    }
    now = 1_000_000
    const url = `http://127.0.0.1:${(server.address() as AddressInfo).port}`
    client = new SupplierClient(url, new Breaker({ after: 3, rest: 5000 }, () => now), QUICK)
  })
  afterEach(() => close())
  const order = [{ number: 'TW-M1587', quantity: 2 }]

  it('is asked for its list, its stock and an order', async () => {
    expect((await client.catalogue('master 15.87')).map(({ number }) => number)).toEqual(['TW-M1587'])
    expect(await client.stock('TW-M1587')).toBe(3)
    const made = await client.order('01A', order)
    expect(made.lines[0]).toMatchObject({ confirmed: 2, price: 58, sent: 'TW-M1587' })
    expect(await client.stock('TW-M1587')).toBe(1)
    expect(await client.find('01A')).toEqual(made)
    expect(await client.find('01B')).toBeNull()
  })
  it('takes an order once, however often it comes', async () => {
    const first = await client.order('01A', order)
    expect(await client.order('01A', order)).toEqual(first)
    expect([supplier.count, supplier.repeats]).toEqual([1, 1])
  })
  it('that answers after the timeout has the order all the same, once', async () => {
    supplier.control = { ...WELL, latencyMs: 700 }
    await expect(client.order('01A', order)).rejects.toBeInstanceOf(SupplierAway)
    expect([supplier.count, supplier.repeats]).toEqual([1, 2])
    supplier.control = { ...WELL }
    now += 5000
    expect((await client.order('01A', order)).lines[0]!.confirmed).toBe(2)
    expect(supplier.count).toBe(1)
  })
  it('that fails now and then is asked again', async () => {
    supplier.control = { ...WELL, failShare: 0.5 }
    for (let i = 0; i < 6; i++) await client.order(`0${i}`, order)
    expect(supplier.count).toBe(6)
    expect(client.breaker.since).toBeNull()
  })
  it('that is down is left alone after three tries, and asked again after a rest', async () => {
    supplier.control = { ...WELL, down: true }
    await expect(client.stock('TW-M1587')).rejects.toBeInstanceOf(SupplierAway)
    expect(client.breaker.since).toBe(1_000_000)
    expect(client.breaker.lets()).toBe(false)
    supplier.control = { ...WELL }
    // It would answer now, but is not asked.
    await expect(client.stock('TW-M1587')).rejects.toThrow('left alone')
    now += 5000
    expect(await client.stock('TW-M1587')).toBe(3)
    expect(client.breaker.since).toBeNull()
  })
  it('that lies about its stock confirms what it has', async () => {
    supplier.control = { ...WELL, lieStock: true }
    expect(await client.stock('TW-M1587')).toBe(7)
    const { lines } = await client.order('01A', [{ number: 'TW-M1587', quantity: 7 }])
    expect(lines[0]).toMatchObject({ quantity: 7, confirmed: 3 })
  })
  it('changes its price, sends less, and sends another part', async () => {
    supplier.control = { ...WELL, priceFactor: 1.5, partly: true, wrong: true }
    const { lines } = await client.order('01A', order)
    expect(lines[0]).toMatchObject({ price: 87, sent: 'TW-M1746', sentQuantity: 1 })
  })
  it('whose answer is nonsense counts as none', async () => {
    const { createServer } = await import('node:http')
    const odd = createServer((_, response) => response.end('{"items": 7}'))
    await new Promise<void>((resolve) => odd.listen(0, '127.0.0.1', resolve))
    const at = new SupplierClient(
      `http://127.0.0.1:${(odd.address() as AddressInfo).port}`,
      new Breaker(),
      QUICK,
    )
    await expect(at.catalogue('x')).rejects.toBeInstanceOf(SupplierAway)
    await expect(at.stock('x')).rejects.toBeInstanceOf(SupplierAway)
    await expect(at.order('01A', order)).rejects.toBeInstanceOf(SupplierAway)
    odd.closeAllConnections()
    odd.close()
  })
})
