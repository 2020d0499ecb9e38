import createClient from "openapi-fetch";
import { at } from "./rigAddress";
import { keepingFetch } from "./kept/keepingFetch";
import { session } from "./session";
import type { components, paths } from "./schema";

type Schemas = components["schemas"];
export type SettingView = Schemas["SettingView"];
export type Sheet = Schemas["Sheet"];
export type Cell = Schemas["Cell"];
export type Span = Schemas["Span"];
export type Move = Schemas["Move"];
export type Option = Schemas["Option"];
export type Knob = Schemas["KnobView"];
export type State = NonNullable<Knob["state"]>;
export type FormView = Schemas["FormView"];
export type OfferedFact = Schemas["OfferedFact"];
export type WrittenFact = Schemas["WrittenFact"];
export type FitOffer = Schemas["FitOffer"];
export type RigView = Schemas["RigView"];
export type KeptTrace = Schemas["KeptTrace"];
export type LiveGauge = Schemas["LiveGauge"];
export type StationGauge = Schemas["StationGauge"];
export type Result = Schemas["Result"];
export type FieldView = Schemas["FieldView"];
export type DrawerLot = Schemas["DrawerLot"];
export type JobView = Schemas["JobView"];
export type BoardView = Schemas["BoardView"];
export type BoardRow = Schemas["BoardRow"];
export type SettingSummary = Schemas["SettingSummary"];
export type RecordView = Schemas["RecordView"];
export type RecordSetting = Schemas["RecordSetting"];
export type Mechanic = Schemas["MechanicView"];
export type Lot = Schemas["LotView"];
export type GaugeCard = Schemas["GaugeView"];
export type Expectation = Schemas["Expectation"];
export type Scene = Schemas["Answer"]["scenes"][number];
export type Readout = Schemas["Readout"];
export type RoundLog = Schemas["RoundLog"];
export type Pack = Schemas["Pack"];
export type Plate = Schemas["Plate"];
export type Needle = Schemas["Needle"];
export type Band = Schemas["Band"];
export type Section = Schemas["Section"];
export type KindChoice = Schemas["KindChoice"];
export type Trouble = Schemas["Trouble"];
export type PatternView = Schemas["PatternView"];
export type PastedPart = Schemas["PastedPart"];
export type TrainView = Schemas["TrainView"];
export type LeverRow = Schemas["LeverRow"];
export type PairRow = Schemas["PairRow"];
export type SectionFlag = Schemas["SectionFlag"];
export type Flank = Schemas["Flank"];
export type StripView = Schemas["StripView"];
export type BaselineView = Schemas["BaselineView"];
export type PartView = Schemas["PartView"];
export type RemovalView = Schemas["RemovalView"];
export type WayView = Schemas["WayView"];
export type LooseItem = Schemas["LooseItem"];
export type PlaceView = Schemas["PlaceView"];
export type ComponentView = Schemas["ComponentView"];
export type UnitTypeView = Schemas["UnitTypeView"];
export type TypeSheet = Schemas["TypeSheet"];
export type LimitQuestion = Schemas["LimitQuestion"];
export type SchoolQuestion = Schemas["SchoolQuestion"];
export type SchoolView = Schemas["SchoolView"];
export type SearchView = Schemas["SearchView"];
export type PhotoView = Schemas["PhotoView"];
export type InspectView = Schemas["InspectView"];
export type InspectPart = Schemas["InspectPart"];
export type LookView = Schemas["LookView"];
export type SchoolVerdict = Schemas["SchoolVerdict"];
export type ToothRing = Schemas["ToothRing"];
export type ToothMark = Schemas["ToothMark"];
export type TeethView = Schemas["TeethView"];
export type SealView = Schemas["SealView"];
export type EvidenceView = Schemas["EvidenceView"];
export type OrderView = Schemas["OrderView"];
export type PlanView = Schemas["PlanView"];
export type StepView = Schemas["StepView"];
export type BuildStep = Schemas["BuildStep"];
export type FindingView = Schemas["FindingView"];
export type LidView = Schemas["LidView"];
export type PlanTray = Schemas["PlanTray"];
export type TorqueView = Schemas["TorqueView"];
export type NeedView = Schemas["NeedView"];
export type WayBack = Schemas["WayBack"];
export type TodayView = Schemas["TodayView"];
export type SelfRow = Schemas["SelfRow"];
export type ToolView = Schemas["ToolView"];
export type ToolSort = Schemas["ToolSort"];
export type HoursView = Schemas["HoursView"];
export type SumView = Schemas["SumView"];
export type WhatIfView = Schemas["WhatIfView"];
export type WhatIfSlider = WhatIfView["sliders"][number];
export type TriedView = Schemas["TriedView"];
export type SumAnswer = Schemas["Answer"];
export type FitsView = Schemas["FitsView"];
export type FitAt = Schemas["FitAt"];
export type HotView = Schemas["HotView"];
export type LifeView = Schemas["LifeView"];
export type LifeQuantity = Schemas["LifeQuantity"];
export type ProveView = Schemas["ProveView"];
export type ProvePointView = Schemas["ProvePointView"];
export type RunView = Schemas["RunView"];
export type Problem = Schemas["Problem"];
export type MeView = Schemas["MeView"];
export type PeopleView = Schemas["PeopleView"];

export const api = createClient<paths>({ baseUrl: at("/"), fetch: keepingFetch });
api.use({
  onRequest({ request }) {
    if (session.token) request.headers.set("X-Token", session.token);
    return request;
  },
  onResponse({ response }) {
    if (response.status === 401) session.ended();
  },
});

/** A refusal of the server, or no answer at all (`code` "unreachable"). */
export class Refusal extends Error {
  constructor(readonly problem: Problem) {
    super(problem.message);
  }
}

export function unreachable(): Refusal {
  return new Refusal({
    code: "unreachable",
    field: null,
    message: "The server does not answer.",
    next_step: "What you typed is kept here. Try again; it will not count twice.",
    details: {},
  });
}

interface Answer<T> {
  data?: T;
  error?: unknown;
  response: Response;
}

/** The answer's data, or a Refusal. */
export async function unwrap<T>(asked: Promise<Answer<T>>): Promise<T> {
  const answer = await reached(asked);
  if (answer.data === undefined) throw refusalOf(answer);
  return answer.data;
}

/** For what is answered without any data: a Refusal where it was not done. */
export async function done(asked: Promise<Answer<unknown>>): Promise<void> {
  const answer = await reached(asked);
  if (!answer.response.ok) throw refusalOf(answer);
}

async function reached<T>(asked: Promise<Answer<T>>): Promise<Answer<T>> {
  try {
    return await asked;
  } catch {
    throw unreachable();
  }
}

function refusalOf(answer: Answer<unknown>): Refusal {
  return new Refusal((answer.error as Problem | undefined) ?? unreachable().problem);
}

export function newId(): string {
  const bytes = crypto.getRandomValues(new Uint8Array(16));
  return Array.from(bytes, (b) => b.toString(16).padStart(2, "0")).join("");
}

/** Sends a file as it is; the answer's data, or a Refusal. */
export async function sendFile<T>(url: string, file: Blob, headers: Record<string, string> = {}): Promise<T> {
  let answer: Response;
  try {
    const sent = { method: "POST", body: file, headers: { ...headers, "X-Token": session.token } };
    answer = await keepingFetch(new Request(at(url), sent));
  } catch {
    throw unreachable();
  }
  if (answer.status === 401) session.ended();
  const body = (await answer.json()) as unknown;
  if (!answer.ok) throw new Refusal(body as Problem);
  return body as T;
}
