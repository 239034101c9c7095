import type { components } from "./schema.generated";

type Schemas = components["schemas"];

export type Me = Schemas["Me"];
export type Person = Schemas["Person"];
export type PartSummary = Schemas["PartSummary"];
export type PartForm = Schemas["PartForm"];
export type ModelDetail = Schemas["ModelDetail"];
export type ShelfForm = Schemas["ShelfForm"];
export type Recipe = Schemas["Recipe"];
export type Feature = Recipe["features"][number];
export type NamedSize = Schemas["NamedSize"];
export type Preview = Schemas["PreviewForm"];
export type Ranked = Schemas["RankedForm"];
export type SideDrawing = Schemas["SideDrawing"];
export type ViewDrawing = Schemas["ViewDrawing"];
export type Exercise = Schemas["ExerciseForm"];
export type Task = Schemas["Exercise"];
export type Draft = Schemas["DraftForm"];
export type SheetDocument = Schemas["SheetDocument"];
export type View = Schemas["View"];
export type LinearDimension = Schemas["LinearDimension"];
export type RoundDimension = Schemas["RoundDimension"];
export type Dimension = LinearDimension | RoundDimension;
export type Mark = Schemas["CentreMark"] | Schemas["CentreLine"];
export type Ink = Schemas["InkForm"];
export type InkGroup = Schemas["InkGroup"];
export type InkItem = InkGroup["items"][number];
export type Paper = Schemas["PaperForm"];
export type ViewFacts = Schemas["ViewFacts"];
export type Finding = Schemas["FindingForm"];
export type MarkRow = Schemas["MarkForm"];
export type Wall = Schemas["WallForm"];
export type WallSheet = Schemas["WallSheet"];
export type Sheet = Schemas["SheetForm"];
export type ReadSheet = Schemas["ReadSheetForm"];
export type Delivery = Schemas["DeliveryForm"];
export type Said = NonNullable<Schemas["CorrectionForm"]["said"]>;
export type Side = NonNullable<View["side"]>;
export type Corner = NonNullable<View["corner"]>;
export type Criterion = Finding["criterion"];
export type ViewName = ViewDrawing["name"];
export type Point = [number, number];

/** The part's triangles and ink edges, as the kernel made them. */
export type Mesh = Schemas["Mesh"];
