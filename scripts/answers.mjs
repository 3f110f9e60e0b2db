// What each route answers, as JSON Schema, read off the type of its handler: the same types the screens are
// checked against.
import ts from 'typescript'

const options = {
  strict: true,
  noEmit: true,
  skipLibCheck: true,
  target: ts.ScriptTarget.ESNext,
  module: ts.ModuleKind.ESNext,
  moduleResolution: ts.ModuleResolutionKind.Bundler,
  resolveJsonModule: true,
  allowJs: false,
  lib: ['lib.esnext.d.ts', 'lib.dom.d.ts'],
  types: ['node'],
}
const deepest = 12

/** Schemas of types that have a name of their own, by that name; each name stands for one type only. */
const named = new Map()
const declaredBy = new Map()

/**
 * @returns answers: schemas by file, null where the answer is not JSON (a PDF, a CSV, a stream, a bare text);
 * and schemas: those they refer to, by the name of their type
 */
export function answersOf(files) {
  const program = ts.createProgram(files, options)
  const checker = program.getTypeChecker()
  const answers = new Map(files.map((file) => [file, answerOf(program.getSourceFile(file), checker)]))
  return { answers, schemas: Object.fromEntries([...named].sort(([a], [b]) => a.localeCompare(b))) }
}

/** The name of a type that a service or the core exports; undefined where it has none, or shares it. */
function nameOf(type) {
  const symbol = type.aliasSymbol ?? type.symbol
  if (!symbol || type.aliasTypeArguments?.length || type.typeArguments?.length) return undefined
  const [declaration] = symbol.declarations ?? []
  const says =
    declaration && (ts.isInterfaceDeclaration(declaration) || ts.isTypeAliasDeclaration(declaration))
  if (!says || declaration.typeParameters?.length) return undefined
  if (!(ts.getCombinedModifierFlags(declaration) & ts.ModifierFlags.Export)) return undefined
  const file = declaration.getSourceFile().fileName
  if (!/(^|\/)(server|core)\//.test(file) || /node_modules/.test(file)) return undefined
  const { name } = symbol
  if (!declaredBy.has(name)) declaredBy.set(name, declaration)
  return declaredBy.get(name) === declaration ? name : undefined
}

function answerOf(source, checker) {
  const exported = source.statements.find(ts.isExportAssignment)
  const handle = exported.expression.arguments.at(-1)
  const [signature] = checker.getTypeAtLocation(handle).getCallSignatures()
  const type = checker.getAwaitedType(signature.getReturnType())
  return type.flags & ts.TypeFlags.StringLike || isBytes(type, checker)
    ? null
    : schemaOf(type, checker, source, 0)
}

const isBytes = (type, checker) =>
  /^(Readable|Buffer|Uint8Array|ReadableStream|Stringifier|Duplex|void|Promise<void>)\b/.test(
    checker.typeToString(type),
  ) ||
  !!type.getProperty?.('byteLength') ||
  !!type.getProperty?.('pipe')

function schemaOf(type, checker, at, depth) {
  if (depth > deepest) return {}
  const { flags } = type
  if (flags & (ts.TypeFlags.Any | ts.TypeFlags.Unknown)) return {}
  if (flags & ts.TypeFlags.Null) return { type: 'null' }
  if (flags & ts.TypeFlags.StringLiteral || flags & ts.TypeFlags.NumberLiteral) return { const: type.value }
  if (flags & ts.TypeFlags.BooleanLiteral) return { const: checker.typeToString(type) === 'true' }
  if (flags & ts.TypeFlags.StringLike) return { type: 'string' }
  if (flags & ts.TypeFlags.NumberLike) return { type: 'number' }
  if (flags & ts.TypeFlags.BooleanLike) return { type: 'boolean' }
  if (type.symbol?.name === 'Date') return { type: 'string', format: 'date-time' }
  const name = nameOf(type)
  if (name === undefined) return plainSchemaOf(type, checker, at, depth)
  if (!named.has(name)) {
    named.set(name, {}) // so that a type that holds itself ends here
    named.set(name, plainSchemaOf(type, checker, at, 0))
  }
  return { $ref: `#/components/schemas/${name}` }
}

function plainSchemaOf(type, checker, at, depth) {
  if (type.isUnion()) return unionOf(type.types, checker, at, depth)
  if (checker.isArrayLikeType(type)) {
    const [item] = checker.getTypeArguments(type)
    return { type: 'array', ...(item ? { items: schemaOf(item, checker, at, depth + 1) } : {}) }
  }
  return objectOf(type, checker, at, depth)
}

function unionOf(types, checker, at, depth) {
  const said = types.filter((one) => !(one.flags & (ts.TypeFlags.Undefined | ts.TypeFlags.Void)))
  if (said.length > 1 && said.every((one) => one.flags & ts.TypeFlags.BooleanLiteral))
    return { type: 'boolean' }
  const schemas = said.map((one) => schemaOf(one, checker, at, depth + 1))
  if (schemas.length === 1) return schemas[0]
  const consts = schemas.filter((one) => 'const' in one)
  const others = schemas.filter((one) => !('const' in one))
  const all = [...(consts.length > 0 ? [{ enum: consts.map((one) => one.const) }] : []), ...others]
  return all.length === 1 ? all[0] : { anyOf: all }
}

function objectOf(type, checker, at, depth) {
  const index = checker.getIndexInfoOfType(type, ts.IndexKind.String)
  const properties = {}
  const required = []
  for (const property of checker.getPropertiesOfType(type)) {
    const own = checker.getTypeOfSymbolAtLocation(property, property.valueDeclaration ?? at)
    if (own.getCallSignatures().length > 0) continue
    const { name } = property
    properties[name] = schemaOf(own, checker, at, depth + 1)
    const maybe =
      property.flags & ts.SymbolFlags.Optional ||
      own.flags & ts.TypeFlags.Undefined ||
      (own.isUnion() && own.types.some((one) => one.flags & ts.TypeFlags.Undefined))
    if (!maybe) required.push(name)
  }
  return {
    type: 'object',
    properties,
    ...(required.length ? { required } : {}),
    ...(index ? { additionalProperties: schemaOf(index.type, checker, at, depth + 1) } : {}),
  }
}
