import { Type, type Static } from '@sinclair/typebox'
import {
  fieldAt,
  LOAD_POINT,
  MOST_LINES,
  type Circuit,
  type Line as CircuitLine,
  type Slave,
} from '../core/circuit'
import {
  ARCHETYPES,
  installationField,
  MASTER_MOUNTS,
  MOST_HEAT,
  MOST_PIECES,
  MOST_POINTS,
  MOST_SWITCHES,
  SLAVE_FACES,
  SLAVE_MOUNTS,
  SWITCH_AT,
  SWITCH_DOES,
  type Installation,
  type JointPlace,
} from '../core/installation'
import { EndSchema } from './end'
import { bounded, Line, OneOf, OrNull, strict, tagged, type Same } from './shape'

const field = (path: string) => bounded(fieldAt(path)!)
const maybe = (path: string) => Type.Optional(field(path))

const line = {
  length: field('lines.*.length'),
  innerDiameter: field('lines.*.innerDiameter'),
}
export const LineSchema = tagged<CircuitLine>('kind', [
  Type.Object(
    { kind: Type.Literal('steel'), ...line, outerDiameter: field('lines.*.outerDiameter') },
    strict,
  ),
  Type.Object(
    {
      kind: OneOf(['rubber', 'braided', 'nylon']),
      ...line,
      expansion: field('lines.*.expansion'),
    },
    strict,
  ),
])

const slave = {
  stroke: field('slave.stroke'),
  springPreload: maybe('slave.springPreload'),
  sealFriction: maybe('slave.sealFriction'),
}
const SlaveSchema = tagged<Slave>('type', [
  Type.Object({ type: Type.Literal('external'), bore: field('slave.bore'), ...slave }, strict),
  Type.Object(
    {
      type: Type.Literal('concentric'),
      outer: field('slave.outer'),
      inner: field('slave.inner'),
      ...slave,
    },
    strict,
  ),
])

export const CircuitSchema = Type.Object(
  {
    pedal: Type.Object(
      {
        ratio: field('pedal.ratio'),
        travel: field('pedal.travel'),
        returnForce: maybe('pedal.returnForce'),
      },
      strict,
    ),
    master: Type.Object(
      {
        bore: field('master.bore'),
        stroke: field('master.stroke'),
        pushrodClearance: field('master.pushrodClearance'),
        portClosure: field('master.portClosure'),
        springPreload: maybe('master.springPreload'),
        springRate: maybe('master.springRate'),
        sealFriction: maybe('master.sealFriction'),
      },
      strict,
    ),
    lines: Type.Array(LineSchema, { maxItems: MOST_LINES }),
    slave: SlaveSchema,
    linkage: Type.Object(
      {
        forkRatio: field('linkage.forkRatio'),
        slop: field('linkage.slop'),
        bearingClearance: field('linkage.bearingClearance'),
      },
      strict,
    ),
    cover: Type.Object(
      {
        releaseLoad: Type.Array(Type.Tuple([bounded(LOAD_POINT.travel), bounded(LOAD_POINT.load)]), {
          minItems: LOAD_POINT.least,
          maxItems: LOAD_POINT.most,
        }),
        releaseTravel: field('cover.releaseTravel'),
        fullClampTravel: field('cover.fullClampTravel'),
      },
      strict,
    ),
    fluid: Type.Object({ bulkModulus: field('fluid.bulkModulus') }, strict),
    air: field('air'),
  },
  strict,
)

/** The line's way, at most as many points as the core allows. */
export const RouteSchema = Type.Array(
  Type.Object(
    {
      along: bounded({ min: 0, max: 640_000 }),
      height: bounded({ min: -5000, max: 5000 }),
      forward: bounded({ min: -10_000, max: 10_000 }),
      clip: Type.Optional(Type.Boolean()),
    },
    strict,
  ),
  { minItems: 2, maxItems: MOST_POINTS },
)

const angle = bounded({ min: -180, max: 180 })
const placed = (path: string) => bounded(installationField(path)!)

/** Names a joint of a line that may be: which ones there are, the lines say. */
export const JointPlaceSchema = Type.Unsafe<JointPlace>({
  type: 'string',
  pattern: '^(feed|masterOutlet|slavePort|bleeder|line\\.(0|[1-9]|[1-5]\\d|6[0-2]))$',
})
/** What version 2 added; what is missing or null is not known. */
const known = {
  joints: Type.Optional(
    Type.Array(
      Type.Object(
        {
          at: JointPlaceSchema,
          a: OrNull(EndSchema),
          b: OrNull(EndSchema),
          access: Type.Optional(Line(200)),
        },
        strict,
      ),
      { maxItems: MOST_LINES + 3 },
    ),
  ),
  mounts: Type.Optional(
    Type.Object({ master: OrNull(OneOf(MASTER_MOUNTS)), slave: OrNull(OneOf(SLAVE_MOUNTS)) }, strict),
  ),
  switches: Type.Optional(
    Type.Array(
      Type.Object(
        {
          does: OneOf(SWITCH_DOES),
          at: OneOf(SWITCH_AT),
          threads: Type.Optional(bounded({ min: 0, max: 60 })),
        },
        strict,
      ),
      { maxItems: MOST_SWITCHES },
    ),
  ),
  heat: Type.Optional(
    Type.Array(
      Type.Object(
        {
          along: bounded({ min: 0, max: 640_000 }),
          distance: bounded({ min: 0, max: 2000 }),
          sleeved: Type.Boolean(),
        },
        strict,
      ),
      { maxItems: MOST_HEAT },
    ),
  ),
}
export const InstallationSchema = Type.Object(
  {
    circuit: CircuitSchema,
    archetype: OneOf(ARCHETYPES.map((archetype) => archetype.id)),
    assumed: Type.Array(Type.String({ maxLength: 60 }), { maxItems: 120 }),
    route: RouteSchema,
    reservoir: Type.Object(
      {
        sharedWithBrakes: Type.Boolean(),
        area: placed('reservoir.area'),
        usable: placed('reservoir.usable'),
        height: placed('reservoir.height'),
        takeOffOverBrakeMinimum: Type.Optional(OrNull(placed('reservoir.takeOffOverBrakeMinimum'))),
      },
      strict,
    ),
    master: Type.Object({ tilt: angle, outletAngle: angle, portAngle: angle }, strict),
    slave: Type.Object(
      {
        bleeder: tagged<Installation['slave']['bleeder']>('kind', [
          Type.Object({ kind: Type.Literal('none') }, strict),
          Type.Object({ kind: Type.Literal('screw'), angle }, strict),
        ]),
        linePort: angle,
        endRaise: angle,
        room: Type.Optional(placed('slave.room')),
        faces: Type.Optional(OrNull(OneOf(SLAVE_FACES))),
        chamber: Type.Optional(OrNull(placed('slave.chamber'))),
        bleedLine: Type.Optional(
          Type.Array(
            Type.Object(
              {
                length: field('lines.*.length'),
                innerDiameter: field('lines.*.innerDiameter'),
                rise: bounded({ min: -2000, max: 2000 }),
              },
              strict,
            ),
            { maxItems: MOST_PIECES },
          ),
        ),
      },
      strict,
    ),
    rodThreadPitch: bounded({ min: 0.3, max: 5 }),
    ...known,
  },
  strict,
)

export const installationTypesAgree: [
  Same<Static<typeof CircuitSchema>, Circuit>,
  Same<Static<typeof InstallationSchema>, Installation>,
] = [true, true]

/** A file that holds one installation: what is exported, and what is read back. */
export const INSTALLATION_FILE = 'urn:mellow-anchor:installation:2'
/** The first version, which is still read: it has none of what the second added. */
export const FIRST_INSTALLATION_FILE = 'urn:mellow-anchor:installation:1'
export const InstallationFileSchema = Type.Object(
  {
    $schema: OneOf([INSTALLATION_FILE, FIRST_INSTALLATION_FILE]),
    /** What it was exported from; not read back. */
    name: Type.Optional(Line(120)),
    installation: InstallationSchema,
  },
  strict,
)
export type InstallationFile = Static<typeof InstallationFileSchema>

/** The schema as it is published: JSON Schema draft-07, lengths mm, forces N, pressures MPa, volumes mm³. */
export const publishedInstallationSchema = () => ({
  $schema: 'http://json-schema.org/draft-07/schema#',
  $id: INSTALLATION_FILE,
  title: 'Mellow Anchor installation, version 2',
  ...(JSON.parse(JSON.stringify(InstallationFileSchema)) as object),
})
