import createClient from 'openapi-fetch';
import type { components, paths } from './schema';

export const api = createClient<paths>({ baseUrl: '/' });

type Schemas = components['schemas'];
export type Act = Schemas['Act'];
export type Amount = Schemas['Amount'];
export type BlockSimulation = Schemas['BlockSimulation'];
export type BudCutEntry = Schemas['BudCutEntry'];
export type BudLedger = Schemas['BudLedger'];
export type CatalogueView = Schemas['CatalogueView'];
export type CatalogueRootstock = Schemas['CatalogueRootstock'];
export type CatalogueVariety = Schemas['CatalogueVariety'];
export type CountedTreeEntry = Schemas['CountedTreeEntry'];
export type EstateEntry = Schemas['EstateEntry'];
export type EditConflict = Schemas['EditConflict'];
export type FieldProblem = Schemas['FieldProblem'];
export type FieldEntry = Schemas['FieldEntry'];
export type CuttingEntry = Schemas['CuttingEntry'];
export type HandCut = Schemas['HandCut'];
export type PracticeScore = Schemas['PracticeScore'];
export type SimulationStep = Schemas['SimulationStep'];
export type TrainingSystem = Schemas['TrainingSystem'];
export type FieldEntryView = Schemas['FieldEntryView'];
export type FieldKit = Schemas['FieldKit'];
export type FieldReceipt = Schemas['FieldReceipt'];
export type FieldView = Schemas['FieldView'];
export type SamplePlan = Schemas['SamplePlan'];
export type SampleSettingsEntry = Schemas['SampleSettingsEntry'];
export type ScanFileView = Schemas['ScanFileView'];
export type ScanMapping = Schemas['ScanMapping'];
export type ScanReport = Schemas['ScanReport'];
export type ScanStep = Schemas['ScanStep'];
export type TreeSheetView = Schemas['TreeSheetView'];
export type VigourMarkEntry = Schemas['VigourMarkEntry'];
export type FileView = Schemas['FileView'];
export type Figure = Schemas['Figure'];
export type ExchangeColumn = Schemas['ExchangeColumn'];
export type ColumnMapping = Schemas['ColumnMapping'];
export type ImportMapping = Schemas['ImportMapping'];
export type LeftOutLine = Schemas['LeftOutLine'];
export type ValueMapping = Schemas['ValueMapping'];
export type ImportReport = Schemas['ImportReport'];
export type ImportStep = Schemas['ImportStep'];
export type WorkerEntry = Schemas['WorkerEntry'];
export type WorkerView = Schemas['WorkerView'];
export type CrewEntry = Schemas['CrewEntry'];
export type CrewPlanView = Schemas['CrewPlanView'];
export type CrewTrialEntry = Schemas['CrewTrialEntry'];
export type TrialResult = Schemas['TrialResult'];
export type TrialStep = Schemas['TrialStep'];
export type DepthView = Schemas['DepthView'];
export type DepthLine = Schemas['DepthLine'];
export type CostsView = Schemas['CostsView'];
export type CostRow = Schemas['CostRow'];
export type PayView = Schemas['PayView'];
export type TodayView = Schemas['TodayView'];
export type TodayTurn = Schemas['TodayTurn'];
export type LearnedFactor = Schemas['LearnedFactor'];
export type WorkProgress = Schemas['WorkProgress'];
export type WorkReportView = Schemas['WorkReportView'];
export type CutDepth = Schemas['CutDepth'];
export type TakeDepths = Schemas['TakeDepths'];
export type CrewSettingsEntry = Schemas['CrewSettingsEntry'];
export type CrewTaskView = Schemas['CrewTaskView'];
export type CrewView = Schemas['CrewView'];
export type ImproveStep = Schemas['ImproveStep'];
export type LateReason = Schemas['LateReason'];
export type TaskChoiceEntry = Schemas['TaskChoiceEntry'];
export type WorkReportEntry = Schemas['WorkReportEntry'];
export type TreeCheckEntry = Schemas['TreeCheckEntry'];
export type KitCheck = Schemas['KitCheck'];
export type CheckView = Schemas['CheckView'];
export type CropView = Schemas['CropView'];
export type CropsView = Schemas['CropsView'];
export type PlantingLearningView = Schemas['PlantingLearningView'];
export type EstateLearningView = Schemas['EstateLearningView'];
export type LearnedWorkView = Schemas['LearnedWorkView'];
export type LearnedLine = Schemas['LearnedLine'];
export type SeasonReportView = Schemas['SeasonReportView'];
export type WinterView = Schemas['WinterView'];
export type ClosingView = Schemas['ClosingView'];
export type CropCountEntry = Schemas['CropCountEntry'];
export type KitCrop = Schemas['KitCrop'];
export type CheckGlance = Schemas['CheckGlance'];
export type CheckedHand = Schemas['CheckedHand'];
export type CutVerdict = Schemas['CutVerdict'];
export type HandsView = Schemas['HandsView'];
export type ToldVerdict = Schemas['ToldVerdict'];
export type PrunerPractice = Schemas['PrunerPractice'];
export type LineProblem = Schemas['LineProblem'];
export type MadeInvitation = Schemas['MadeInvitation'];
export type MachineScope = Schemas['MachineScope'];
export type MadeMachineToken = Schemas['MadeMachineToken'];
export type MapBlock = Schemas['MapBlock'];
export type MapPoint = Schemas['MapPoint'];
export type Notice = Schemas['Notice'];
export type PlanEntry = Schemas['PlanEntry'];
export type PlantingEntry = Schemas['PlantingEntry'];
export type PlantingView = Schemas['PlantingView'];
export type PruningPlan = Schemas['PruningPlan'];
export type PersonView = Schemas['PersonView'];
export type Role = Schemas['Role'];
export type RowListEntry = Schemas['RowListEntry'];
export type SeasonRecordsEntry = Schemas['SeasonRecordsEntry'];
export type SeasonResultEntry = Schemas['SeasonResultEntry'];
export type HarvestLineEntry = Schemas['HarvestLineEntry'];
export type SeasonChain = Schemas['SeasonChain'];
export type ResultsView = Schemas['ResultsView'];
export type SessionView = Schemas['SessionView'];
export type ChangeView = Schemas['ChangeView'];
export type RemovedPlantingView = Schemas['RemovedPlantingView'];
export type LedgerGlance = Schemas['LedgerGlance'];
export type SeasonPending = Schemas['SeasonPending'];
export type SeasonView = Schemas['SeasonView'];
export type SeasonLine = Schemas['SeasonLine'];
export type Stage = Schemas['Stage'];
export type Step = Schemas['Step'];
export type SurveyEntry = Schemas['SurveyEntry'];
export type Hands = Schemas['Hands'];
export type UsableDays = Schemas['UsableDays'];
export type YearLine = Schemas['YearLine'];
export type YearView = Schemas['YearView'];
export type Anchor = Schemas['Anchor'];
export type DaysGroup = Schemas['DaysGroup'];
export type DaysOfPlanting = Schemas['DaysOfPlanting'];
export type DaysView = Schemas['DaysView'];
export type NoteView = Schemas['NoteView'];
export type PlantingNoteEntry = Schemas['PlantingNoteEntry'];
export type PhotoView = Schemas['PhotoView'];
export type PlantingDay = Schemas['PlantingDay'];
export type HeldUp = Schemas['HeldUp'];
export type PackPreview = Omit<Schemas['PackPreview'], 'sample'> & { sample: CutTree };
export type PassCard = Schemas['PassCard'];
export type PassGlance = Schemas['PassGlance'];
export type PassOutlook = Schemas['PassOutlook'];
export type PlannedPass = Schemas['PlannedPass'];
export type SiteEntry = Schemas['SiteEntry'];
export type SiteHeat = Schemas['SiteHeat'];
export type SiteView = Schemas['SiteView'];
export type SiteWarning = Schemas['SiteWarning'];
export type WeatherView = Schemas['WeatherView'];
export type ProgrammeView = Schemas['ProgrammeView'];
export type TrainingView = Schemas['TrainingView'];
export type TrainedLeaf = Schemas['TrainedLeaf'];
export type YoungTree = Schemas['YoungTree'];
export type YoungTreesEntry = Schemas['YoungTreesEntry'];
export type FaceLight = Schemas['FaceLight'];
export type RowLight = Schemas['RowLight'];
export type SidesView = Schemas['SidesView'];
export type RenewalView = Schemas['RenewalView'];
export type WinterRenewalEntry = Schemas['WinterRenewalEntry'];
export type ReworkView = Schemas['ReworkView'];
export type ReworkedTreeEntry = Schemas['ReworkedTreeEntry'];
/** A reworked tree as it is told from the row: the tree, and the version it was told over. */
export interface ReworkNews {
  seen: number;
  tree: ReworkedTreeEntry;
}
export type ReworkStanding = Schemas['ReworkStanding'];
export type TakingOut = Schemas['TakingOut'];
export type TakingOutEntry = Schemas['TakingOutEntry'];
export type SystemChoice = Schemas['SystemChoice'];
export type SystemChoiceEntry = Schemas['SystemChoiceEntry'];
export type BareLeader = Schemas['BareLeader'];
export type BareLeaderEntry = Schemas['BareLeaderEntry'];
export type FreeValue = Schemas['FreeValue'];
export type ProposedTarget = Schemas['ProposedTarget'];
export type TargetEntry = Schemas['TargetEntry'];
export type TargetDesk = Schemas['TargetDesk'];
export type TargetVersionView = Schemas['TargetVersionView'];
export type TargetRule = Schemas['TargetRule'];
export type RuledTargetView = Schemas['RuledTargetView'];
export type MarginCurve = Schemas['MarginCurve'];
export type PriceListEntry = Schemas['PriceListEntry'];
export type PricesView = Schemas['PricesView'];
export type School = NonNullable<Schemas['SchoolAnswer']['school']>;
export type SchoolAnswer = Schemas['SchoolAnswer'];
export type RootstockEntry = Schemas['RootstockEntry'];
export type VarietyEntry = Schemas['VarietyEntry'];

export type Point = Schemas['Point'];
export type Branch = Schemas['Branch'];
export type BudSite = Schemas['BudSite'];
export type FruitTree = Schemas['FruitTree'];
export type CardDrawnCut = Schemas['CardDrawnCut'];
export type BenchCut = Schemas['BenchCut'];
export type PrintRunEntry = Schemas['PrintRunEntry'];
export type PrintStep = Schemas['PrintStep'];
export type PruningCard = Schemas['PruningCard'];
export type PruningDecision = Schemas['PruningDecision'];
export type CardDrawing = Schemas['CardDrawing'];
export type BenchView = Schemas['BenchView'];
export type CutTree = Schemas['CutTree'];
export type CourseTree = Schemas['CourseTree'];
export type NextTree = Schemas['NextTree'];
export type MyTree = Schemas['MyTree'];
export type MyPractice = Schemas['MyPractice'];
export type PracticeProgress = Schemas['PracticeProgress'];
export type SystemPractice = Schemas['SystemPractice'];
export type ExerciseResult = Schemas['ExerciseResult'];
export type ExerciseView = Schemas['ExerciseView'];
export type SystemTrees = Schemas['SystemTrees'];
export type SystemPack = Schemas['SystemPack'];

/** What the server answers when an entry cannot be used or a request fails. */
export interface Problem {
  title?: string | null;
  status?: number | null;
  problems?: FieldProblem[];
  current?: PlantingView;
}

/** A failed request, with what the server said about it. */
export class RequestError extends Error {
  constructor(
    readonly status: number,
    readonly problem: Problem,
  ) {
    super(problem.title ?? `The server answered ${status}.`);
  }
}

/** Told to the window when the server no longer knows who is asking. */
export const SIGNED_OUT = 'rama:signed-out';

/** Unwraps an answer: its data, or a RequestError. */
export async function answered<T>(request: Promise<{ data?: T; error?: unknown; response: Response }>): Promise<T> {
  const { data, error, response } = await request;
  if (response.ok && (data !== undefined || response.status === 204)) return data as T;
  if (response.status === 401) window.dispatchEvent(new Event(SIGNED_OUT));
  throw new RequestError(response.status, (error ?? {}) as Problem);
}
