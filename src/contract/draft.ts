import { Json } from "@core/search/request";
import { Settings } from "@core/settings/schema";
import { z } from "zod";
import { PatchOperation, whole } from "./parts";
import type { Routes } from "./route";

/** The draft, or the part of it at a pointer, which is described as JSON: whoever asks for a part knows what it is. */
export const Draft = z
  .strictObject({ revision: z.number().int(), settings: z.union([Settings, Json]) as unknown as z.ZodType<Settings> })
  .meta({ id: "Draft" });
const Revision = z.strictObject({ revision: z.number().int() }).meta({ id: "Revision" });
const Patch = z.array(PatchOperation).min(1, "A patch has at least one operation.").max(10_000).meta({ id: "Patch" });

const EditOfDraft = z.strictObject({
  revision: z.number().int(),
  kind: z.enum(["edit", "undo", "redo"]),
  /** The revision that an undo or redo is about. */
  target: z.number().int().nullable(),
  patch: z.array(PatchOperation),
  inverse: z.array(PatchOperation),
  by: z.string(),
  at: z.string(),
});
/** An edit that was just made. */
const Edit = EditOfDraft.meta({ id: "Edit" });
const PastEdit = EditOfDraft.extend({ isUndone: z.boolean() }).meta({ id: "PastEdit" });
export type PastEdit = z.output<typeof PastEdit>;

/** How the draft differs from what is live. */
const DraftChanges = z
  .strictObject({
    /** The release that is live; null before the first. */
    since: z.number().int().nullable(),
    revision: z.number().int(),
    /** Whether whoever asks has made an edit that can be taken back, or taken one back that can be made again. */
    canUndo: z.boolean(),
    canRedo: z.boolean(),
    /** Who changed what since that release and was not undone: names by part, and by part and entry such as "shelves/s1". */
    people: z.record(z.string(), z.array(z.string())),
    patch: z.array(PatchOperation),
    inverse: z.array(PatchOperation),
  })
  .meta({ id: "DraftChanges" });

export const Release = z
  .strictObject({ number: z.number().int(), at: z.string(), note: z.string(), by: z.string() })
  .meta({ id: "Release" });
export type Release = z.output<typeof Release>;
const NewRelease = z.strictObject({ note: z.string().max(2000).default("") }).meta({ id: "NewRelease" });
const ReleaseWithSettings = Release.extend({ settings: Settings }).meta({ id: "ReleaseWithSettings" });

export const draftRoutes = {
  "GET /api/stores/{store}/draft": {
    summary: "The draft, or the part at a pointer",
    query: z.object({ pointer: z.string().optional() }),
    answers: { 200: Draft },
  },
  "PATCH /api/stores/{store}/draft": {
    summary: "Change the draft",
    body: Patch,
    accepts: "application/json-patch+json",
    answers: { 200: Revision },
    problems: [409, 428],
  },
  "POST /api/stores/{store}/draft/undo": {
    summary: "Take back one's own last edit, or the one that led to a revision; answers what that changed",
    query: z.object({ revision: z.coerce.number().int().min(1).optional() }),
    answers: { 200: Edit },
    problems: [409],
  },
  "POST /api/stores/{store}/draft/redo": {
    summary: "Make the first of one's own edits again that was taken back, or the one of a revision; answers what that changed",
    query: z.object({ revision: z.coerce.number().int().min(1).optional() }),
    answers: { 200: Edit },
    problems: [409],
  },
  "POST /api/stores/{store}/draft/anew": {
    summary: "Start a draft that cannot be read anew, from the last release that can",
    answers: { 200: Revision },
    problems: [409],
  },
  "GET /api/stores/{store}/draft/history": {
    summary: "Edits, the latest first",
    query: z.object({ limit: whole(1, 1000, 100), before: z.coerce.number().int().min(1).optional() }),
    answers: { 200: z.array(PastEdit) },
  },
  "GET /api/stores/{store}/draft/changes": { summary: "How the draft differs from what is live", answers: { 200: DraftChanges } },
  "GET /api/stores/{store}/settings.schema.json": {
    summary: "JSON Schema of the settings",
    answers: { 200: z.looseObject({ $schema: z.string().optional() }).meta({ id: "JsonSchema" }) },
  },
  "GET /api/stores/{store}/releases": { summary: "Releases, the latest first", answers: { 200: z.array(Release) } },
  "POST /api/stores/{store}/releases": { summary: "Release the draft", body: NewRelease, answers: { 201: Release }, problems: [409] },
  "GET /api/stores/{store}/releases/{n}": {
    summary: "One release with its settings",
    answers: { 200: ReleaseWithSettings },
    problems: [409],
  },
  "POST /api/stores/{store}/releases/{n}/restore": {
    summary: "Make the shop as it was at a release; with draft=back the draft as well, as an edit that can be undone",
    query: z.object({ draft: z.enum(["keep", "back"]).default("keep") }),
    answers: { 201: Release },
    problems: [409],
  },
} satisfies Routes;
