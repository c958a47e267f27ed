import createClient from 'openapi-fetch'
import { person } from '@/desk/person'
import type { components, paths } from './schema'

type Schemas = components['schemas']
export type Session = Schemas['Session']
export type Input = Schemas['Input']
export type Track = Schemas['Track']
export type Cue = Schemas['Cue']
export type CurvePoint = Schemas['CurvePoint']
export type LevelPoint = Schemas['LevelPoint']
export type TrackWay = Schemas['TrackWay']
export type WayOut = TrackWay['outs'][number]
export type Chains = Schemas['Chains']
export type ChainPlace = Schemas['AddEffect']['place']
export type Inserted = Schemas['Inserted']
export type EffectRange = Schemas['EffectRange']
export type EffectStanding = Schemas['EffectStanding']
export type OfferedEffect = Schemas['OfferedEffect']
export type StartingPoint = Schemas['StartingPoint']
export type ChainPoint = Schemas['ChainPoint']
export type Send = Schemas['Send']
export type Performer = Schemas['Performer']
export type Feed = Schemas['Feed']
export type Edit = Schemas['Edit']
export type Command = Schemas['Command']
export type Offers = Schemas['Offers']
export type Happening = Schemas['Happening']
export type CueEars = Schemas['CueEars']
export type Headphones = Schemas['Headphones']
export type OutletStanding = Schemas['OutletStanding']
export type OutletNote = Schemas['OutletNote']
export type HeadphoneChoices = Schemas['HeadphoneChoices']
export type UndoState = Schemas['UndoState']
export type Preview = Schemas['Preview']
export type ListedSession = Schemas['ListedSession']
export type Rig = Schemas['Rig']
export type RigEdit = Schemas['RigEdit']
export type Device = Schemas['Device']
export type Port = Schemas['Port']
export type Pair = Schemas['StereoPair']
export type Mic = Schemas['Mic']
export type AddDevice = Schemas['AddDevice']
export type PortRun = Schemas['PortRun']
export type ListedRig = Schemas['ListedRig']
export type Binned = Schemas['Binned']
export type ListedCopy = Schemas['ListedCopy']
export type Contents = Schemas['Contents']
export type Happened = Schemas['Happened']
export type LogLine = Schemas['LogLine']
export type KeptCopy = Schemas['KeptCopy']
export type Difference = Schemas['Difference']
export type BringItem = Schemas['Item']
export type Found = Schemas['Found']
export type Lost = Schemas['Lost']
export type Driver = Schemas['Driver']
export type OfferedFeed = Schemas['OfferedFeed']
export type OfferedPlace = Schemas['OfferedPlace']
export type Card = Schemas['Card']
export type FitOfRig = Schemas['FitOfRig']
export type Begun = Schemas['Begun']
export type PageState = Schemas['PageState']
export type Compared = Schemas['Compared']
export type FitSheet = Schemas['FitSheet']
export type FitLine = Schemas['FitLine']
export type ListedSnapshot = Schemas['ListedSnapshot']
export type Scope = Schemas['WantedRestore']['scope']
export type KitDocument = Schemas['KitDocument']
export type KitCard = Schemas['KitCard']
export type PlacedKit = Schemas['PlacedKit']
export type UnusedSound = Schemas['UnusedSound']
export type OfferedSettings = Schemas['OfferedSettings']
export type What = Schemas['SettingCard']['holds'][number]
export type TrackGroup = Schemas['TrackGroup']
export type Link = TrackGroup['links'][number]
export type ListedSong = Schemas['ListedSong']
export type BundleContents = Schemas['BundleContents']
export type Picture = Card['about']['picture']
export type ManyPlaced = Schemas['ManyPlaced']
export type Proposal = Schemas['Proposal']
export type Loss = Schemas['Loss']
export type Turned = Schemas['Turned']
export type Preamp = Schemas['Preamp']
export type InputStanding = Schemas['InputStanding']
export type MicKind = Schemas['MicKind']
export type TrackStanding = Schemas['TrackStanding']
export type May = TrackStanding['may'][number]
export type Limits = Schemas['Limits']
export type InCue = Schemas['InCue']
export type Wired = Schemas['Wired']
export type Paired = Schemas['Paired']
export type FarEnd = Schemas['FarEnd']
export type TimingSheet = Schemas['TimingSheet']
export type PerformerTiming = Schemas['PerformerTiming']
export type BufferChoice = Schemas['BufferChoice']
export type Delay = Schemas['Delay']
export type Stretch = Schemas['Stretch']
export type ControlRoomSheet = Schemas['ControlRoomSheet']
export type SpeakerSet = Schemas['SpeakerStanding']['which']
export type NearOpenMics = Schemas['Speakers']['nearOpenMics']
export type SourceStanding = Schemas['SourceStanding']
export type TestSignal = Schemas['TestSignal']
export type SongOutline = Schemas['SongOutline']
export type ClickPattern = Schemas['ClickPattern']
export type Backing = Schemas['Backing']
export type SongPreview = Schemas['SongPreview']
export type FoundTempo = Schemas['FoundTempo']
export type LoadNow = Schemas['LoadNow']
export type TwoMicCheck = Schemas['TwoMicCheck']
export type CablePort = Schemas['CablePort']
export type FoundLoopback = Schemas['FoundLoopback']
export type SourceKind = Schemas['KindTolerance']['source']
export type DirectLevel = Schemas['DirectLevel']
export type Level = Send['level']
export type Hear = Track['hear']
export type Tap = Send['tap']

/** Something that could not be done, with a sentence for the person who wanted it. */
export class Problem extends Error {
  /** @param instead the line of the log that can be taken back in its place */
  constructor(
    sentence: string,
    readonly instead?: { line: number; words: string },
  ) {
    super(sentence)
  }
}

/** The program does not answer at all. */
export class Unreachable extends Problem {}

export const api = createClient<paths>({ headers: { 'Lantern-Person': person } })

api.use({
  async onResponse({ response }) {
    if (response.ok) return
    const told = await response.json().catch(() => ({}))
    throw new Problem(told.detail ?? `The program answered ${response.status}.`, told.instead)
  },
  onError() {
    return new Unreachable('The program does not answer. Try again when it is back.')
  },
})
