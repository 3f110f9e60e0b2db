import { lookup, type LookupAddress } from 'node:dns'
import { request as plainRequest } from 'node:http'
import { request as tlsRequest } from 'node:https'
import { BlockList, isIP } from 'node:net'
import type { LabelFailure } from '../../../core/shipping/labels'
import { config } from '../../config'
import { CarrierFailure } from './carrier'

/*
 * One HTTP call to somebody outside. An address inside the house's network is only called where that was allowed, and
 * looked at where the connection is made, so that a name cannot say one thing and then another. Nothing is followed.
 */

export interface Call {
  method: 'GET' | 'POST' | 'PUT' | 'DELETE'
  url: string
  headers: Readonly<Record<string, string>>
  body?: unknown
  /** Addresses inside the house's network may be called. */
  inside: boolean
}

export interface Reply {
  status: number
  /** Undefined where it is no JSON. */
  json: unknown
}

/** The largest answer that is read. */
const mostBytes = 8_000_000

const inside = new BlockList()
for (const [net, bits] of [
  ['0.0.0.0', 8],
  ['10.0.0.0', 8],
  ['100.64.0.0', 10],
  ['127.0.0.0', 8],
  ['169.254.0.0', 16],
  ['172.16.0.0', 12],
  ['192.0.0.0', 24],
  ['192.168.0.0', 16],
  ['198.18.0.0', 15],
  ['224.0.0.0', 3],
] as const)
  inside.addSubnet(net, bits, 'ipv4')
for (const [net, bits] of [
  ['::', 128],
  ['::1', 128],
  ['fc00::', 7],
  ['fe80::', 10],
  ['ff00::', 8],
  ['64:ff9b::', 96],
] as const)
  inside.addSubnet(net, bits, 'ipv6')

/** Whether an IP address lies inside a house's own network, or is none that is called from outside. */
export function isInside(address: string): boolean {
  const mapped = /^::ffff:(\d+\.\d+\.\d+\.\d+)$/i.exec(address)?.[1]
  const plain = mapped ?? address
  return inside.check(plain, isIP(plain) === 6 ? 'ipv6' : 'ipv4')
}

const certain = (failure: LabelFailure, message: string) => new CarrierFailure(failure, true, message)
const insideWords = (host: string) =>
  `${host} lies inside this network; allow that at the carrier in Settings where it is meant`

/** @throws CarrierFailure "inside", "no answer" */
export function call({ method, url, headers, body, inside: allowed }: Call): Promise<Reply> {
  return new Promise((resolve, reject) => {
    const { hostname, protocol } = new URL(url)
    const host = hostname.replace(/^\[|\]$/g, '')
    if (!allowed && isIP(host) !== 0 && isInside(host)) {
      reject(certain('inside', insideWords(host)))
      return
    }
    const sent = body === undefined ? undefined : Buffer.from(JSON.stringify(body))
    let connected = false
    const request = (protocol === 'https:' ? tlsRequest : plainRequest)(
      url,
      {
        method,
        headers: {
          accept: 'application/json',
          ...(sent ? { 'content-type': 'application/json', 'content-length': sent.length } : {}),
          ...headers,
        },
        timeout: config.carrierTimeout,
        // a connection of its own: a kept one may break without our knowing what it carried
        agent: false,
        lookup: (name, options, done) =>
          lookup(name, { ...options, all: true }, (error, found: LookupAddress[]) => {
            if (error) return done(error, '', 0)
            if (!allowed && found.some(({ address }) => isInside(address)))
              return done(Object.assign(new Error(insideWords(name)), { code: 'EINSIDE' }), '', 0)
            if (options.all) return done(null, found)
            done(null, found[0]!.address, found[0]!.family)
          }),
      },
      (response) => {
        const chunks: Buffer[] = []
        let size = 0
        response.on('data', (chunk: Buffer) => {
          size += chunk.length
          if (size > mostBytes) request.destroy(new Error('its answer is too long'))
          else chunks.push(chunk)
        })
        response.on('end', () => resolve(replyOf(response.statusCode ?? 0, Buffer.concat(chunks))))
        response.on('error', (error) => reject(failed(error, true)))
      },
    )
    request.on('socket', (socket) => {
      socket.once(protocol === 'https:' ? 'secureConnect' : 'connect', () => {
        connected = true
      })
    })
    request.on('timeout', () => request.destroy(new Error('it did not answer in time')))
    request.on('error', (error) => reject(failed(error, connected)))
    request.end(sent)
  })
}

/** Before there is a connection nothing can have been done; after it, it may have been. */
function failed(error: Error & { code?: string }, connected: boolean): CarrierFailure {
  if (error.code === 'EINSIDE') return certain('inside', error.message)
  return new CarrierFailure('no answer', !connected, error.message)
}

function replyOf(status: number, bytes: Buffer): Reply {
  try {
    return { status, json: bytes.length > 0 ? (JSON.parse(bytes.toString('utf8')) as unknown) : undefined }
  } catch {
    return { status, json: undefined }
  }
}
