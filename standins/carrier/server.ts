import { createServer, type IncomingMessage, type Server, type ServerResponse } from 'node:http'
import { ways, type Book, type Sold, type Way } from './book'
import { troubles, type Behaviour, type Trouble } from './behaviour'
import { ownLabel } from './label'
import { counter } from './page'
import { products } from './services'
import { tell } from './tell'

/** What somebody asks for. */
interface Wanted {
  reference: string
  product: string
  consignee: string[]
  /** Who sends it, of goods that come back. */
  consignor?: string[]
  country: string
  kilos: number
  /** Length, width, height in millimetres; left out where nobody said. */
  measures?: number[]
  isReturn?: boolean
  tell?: string
}

/** A refusal of the carrier's. */
class No extends Error {
  constructor(
    readonly status: number,
    readonly error: string,
    message: string,
  ) {
    super(message)
  }
}

/** The simulated carrier: what programs ask, and a page for people. */
export function carrier(book: Book, behaviour: Behaviour, key: string): Server {
  return createServer((request, response) => {
    void answer(request, response).catch((error: unknown) => {
      if (response.destroyed) return
      if (error instanceof No) say(response, error.status, { error: error.error, message: error.message })
      else say(response, 500, { error: 'BROKEN', message: String(error) })
    })
  })

  async function answer(request: IncomingMessage, response: ServerResponse): Promise<void> {
    const { pathname, searchParams } = new URL(request.url ?? '/', 'http://carrier.example')
    const body = await read(request)
    if (pathname === '/' || pathname.startsWith('/counter') || pathname.startsWith('/way/'))
      return people(pathname, body, response)
    const trouble = behaviour.next()
    if (trouble === 'is down') return void request.socket.destroy()
    if (behaviour.milliseconds && trouble === 'is slow') await pause(behaviour.milliseconds)
    if (trouble === 'lets nobody sign in' || request.headers.authorization !== `Bearer ${key}`)
      throw new No(401, 'KEY', 'This key is not known here')
    const [, subject, number] = pathname.split('/')
    if (request.method === 'GET' && subject === 'products') return say(response, 200, products)
    if (request.method === 'POST' && subject === 'labels') {
      const sold = sell(JSON.parse(body) as Wanted, trouble)
      if (trouble === 'sells and breaks the line') return void request.socket.destroy()
      // a label is sold some time before anybody hears of it
      if (trouble === 'is slow') await pause(behaviour.milliseconds)
      return say(response, 201, await shown(sold, baseOf(request)))
    }
    if (request.method === 'GET' && subject === 'labels' && !number) {
      const found = book.calledBy(searchParams.get('reference') ?? '').filter((one) => !one.cancelled)
      return say(response, 200, await Promise.all(found.map((one) => shown(one, baseOf(request)))))
    }
    if (request.method === 'DELETE' && subject === 'labels') return giveBack(number ?? '', response)
    if (request.method === 'GET' && subject === 'way') {
      const numbers = (searchParams.get('numbers') ?? '').split(',')
      const found = numbers.flatMap((one) => book.of(one) ?? [])
      return say(
        response,
        200,
        found.map(({ number, way }) => ({ number, way })),
      )
    }
    throw new No(404, 'PATH', 'There is nothing of that name')
  }

  function sell(wanted: Wanted, trouble: Trouble): Sold {
    const product = products.find((one) => one.product === wanted.product)
    if (!product) throw new No(422, 'PRODUCT', `There is no product ${wanted.product}`)
    if (product.to.length > 0 && !product.to.includes(wanted.country))
      throw new No(422, 'COUNTRY', `${product.title} does not go to ${wanted.country}`)
    if (product.forReturns !== (wanted.isReturn ?? false))
      throw new No(422, 'PRODUCT', `${product.title} is ${product.forReturns ? '' : 'not '}for returns`)
    const addresses = [...wanted.consignee, ...(wanted.consignor ?? [])]
    if (trouble === 'takes no address' || addresses.some((line) => /unfindable/i.test(line)))
      throw new No(422, 'ADDRESS', `No street of that name: ${wanted.consignee.slice(1).join(', ')}`)
    if (trouble === 'takes no weight' || wanted.kilos > product.maxKilos)
      throw new No(422, 'WEIGHT', `${product.title} takes at most ${product.maxKilos} kg`)
    const tariff = product.tariff.find(({ kilos }) => wanted.kilos <= kilos)
    if (!tariff) throw new No(422, 'PRICE', `No tariff for ${wanted.kilos} kg`)
    const { reference, consignee, kilos, isReturn = false, tell: whom = '' } = wanted
    return book.sell({
      reference,
      product: product.product,
      consignee,
      kilos,
      price: tariff.euro,
      soldAt: new Date().toISOString(),
      isReturn,
      tell: whom,
    })
  }

  function giveBack(number: string, response: ServerResponse): void {
    const sold = book.of(number)
    if (!sold) throw new No(404, 'NUMBER', `There is no label ${number}`)
    if (sold.way !== 'announced') throw new No(409, 'USED', `${number} is ${sold.way} already`)
    if (!sold.cancelled) book.cancel(number)
    say(response, 200, { number, cancelled: true })
  }

  async function people(pathname: string, body: string, response: ServerResponse): Promise<void> {
    const form = new URLSearchParams(body)
    if (pathname === '/counter/trouble') {
      const does = troubles.find((one) => one === form.get('does')) ?? 'none'
      behaviour.play(does, { times: Number(form.get('times') ?? 0) })
    }
    if (pathname === '/counter/way') {
      const way = ways.find((one) => one === form.get('way')) ?? 'under way'
      await goOn(form.get('number') ?? '', way)
    }
    if (body) {
      response.writeHead(303, { location: '/' })
      response.end()
      return
    }
    const only = pathname.startsWith('/way/') ? pathname.slice(5) : undefined
    response.writeHead(200, { 'content-type': 'text/html; charset=utf-8' })
    response.end(counter(book, behaviour, only))
  }

  async function goOn(number: string, way: Way): Promise<void> {
    const sold = book.of(number)
    if (!sold || sold.cancelled) return
    book.goOn(number, way)
    await tell({ ...sold, way }, key)
  }
}

const baseOf = (request: IncomingMessage) => `http://${request.headers.host}`

async function shown(sold: Sold, base: string) {
  const { ownLabel: own } = products.find(({ product }) => product === sold.product)!
  return {
    number: sold.number,
    reference: sold.reference,
    price: sold.price,
    currency: 'EUR',
    page: `${base}/way/${sold.number}`,
    bars: sold.number,
    label: own ? Buffer.from(await ownLabel(sold)).toString('base64') : null,
  }
}

const pause = (milliseconds: number) => new Promise((done) => setTimeout(done, milliseconds))

async function read(request: IncomingMessage): Promise<string> {
  const chunks: Buffer[] = []
  for await (const chunk of request) chunks.push(chunk as Buffer)
  return Buffer.concat(chunks).toString('utf8')
}

function say(response: ServerResponse, status: number, answer: unknown): void {
  response.writeHead(status, { 'content-type': 'application/json' })
  response.end(JSON.stringify(answer))
}
