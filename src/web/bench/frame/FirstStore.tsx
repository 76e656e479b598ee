import type { Job } from "@contract/feed";
import { Button } from "@ui/Button";
import { TextInput } from "@ui/controls";
import { ask, sayError, sendFile } from "@ui/http";
import { ArrowLeft } from "lucide-react";
import { type ComponentProps, useEffect, useRef, useState } from "react";
import { Link, useNavigate } from "react-router";
import { z } from "zod";
import { useEntryForm } from "../forms/useEntryForm";
import { useBenchParts } from "../state/bench";
import { Mark } from "./Mark";
import { RemovedStores } from "./RemovedStores";

const Filled = z.object({
  name: z.string().refine((name) => name.trim() !== "", "Give the store a name."),
  locale: z.string().regex(/^[a-z]{2,3}(-[A-Za-z0-9]{2,8})*$/, "Name the language of the catalogue, such as en or de-AT."),
  currency: z.string().regex(/^[A-Z]{3}$/, "Name the currency in three letters, such as GBP."),
  /** Null for a store that is filled later. */
  file: z.custom<File>().nullable(),
});
type Filled = z.infer<typeof Filled>;

/** The first screen of an installation without a store: make one and bring its products in. */
export default function FirstStore() {
  const navigate = useNavigate();
  const { stores, loadStores } = useBenchParts("stores", "loadStores");
  const first = stores?.[0];
  useEffect(() => {
    void loadStores();
  }, [loadStores]);
  const form = useEntryForm(Filled, { name: "My shop", locale: "en", currency: "GBP", file: null });
  const [job, setJob] = useState<Job | null>(null);
  const [failure, setFailure] = useState<string | null>(null);

  const made = useRef("");
  /** @returns whether the store is there with its products. */
  const begin = async ({ file, ...body }: Filled): Promise<boolean> => {
    setFailure(null);
    try {
      const store = await ask("POST /api/stores", { body });
      const params = { store: store.id };
      made.current = store.id;
      if (!file) return true;
      const looked = await sendFile("POST /api/stores/{store}/feed", { params, query: { name: file.name, dry: "true" } }, file);
      let ended = await follow(looked.job, setJob);
      // What is not sure of its columns is asked where the file is looked at.
      if (ended.state === "done" && (ended.result?.questions ?? []).length > 0) return true;
      if (ended.state === "done") {
        const body = { dry: false, name: file.name };
        const { job: id } = await ask("POST /api/stores/{store}/feed/again", { params, body });
        ended = await follow(id, setJob);
      }
      if (ended.state === "done") return true;
      await ask("DELETE /api/stores/{store}", { params, query: { forever: "true" } });
      setFailure(ended.message);
    } catch (error) {
      setFailure(sayError(error, "The file could not be sent."));
    }
    return false;
  };
  const send = form.sendWith(begin, { onDone: () => void navigate(`/bench/${made.current}/catalogue/feed`) });
  const isRunning = form.formState.isSubmitting;
  return (
    <div className="mx-auto max-w-[520px] px-6 py-16">
      <p className="mb-8 flex items-center gap-2 font-head text-[17px] font-bold">
        <Mark /> Clever Shelf
      </p>
      {first && (
        <Link to={`/bench/${first.id}`} className="mb-3 inline-flex items-center gap-1 text-[13px] text-soft no-underline hover:text-ink">
          <ArrowLeft className="size-3.5" aria-hidden /> Back to {first.name}
        </Link>
      )}
      <h1 className="text-[26px]/8">{first ? "New store" : "Import your products"}</h1>
      <p className="mt-1 mb-5 text-soft">
        A table, JSON, JSON-LD or XML feed with any column names, plain or packed. What each column is gets worked out, and the shop can be
        searched at once. Without a file the store begins empty.
      </p>
      <form noValidate onSubmit={send} className="flex flex-col gap-3">
        <Labelled label="Name of the store" {...form.register("name")} />
        <div className="grid grid-cols-2 gap-3">
          <Labelled label="Language of the catalogue" {...form.register("locale")} />
          <Labelled label="Currency" {...form.register("currency")} />
        </div>
        <label className="flex flex-col gap-1 text-[13px] font-semibold">
          File with products
          <TextInput
            type="file"
            accept=".csv,.tsv,.txt,.json,.jsonl,.ndjson,.jsonld,.xml,.rss,.atom,.gz"
            onChange={(event) => form.change({ file: event.target.files?.[0] ?? null })}
            className="!h-auto p-2 font-normal"
          />
        </label>
        <div className="flex items-center gap-3">
          <Button look="main" type="submit" disabled={form.why !== null}>
            {form.value.file ? "Create the store" : "Create an empty store"}
          </Button>
          <span role="status" className={isRunning ? "" : "text-soft"}>
            {isRunning ? `${job?.message ?? "Sending"} …` : form.why}
          </span>
        </div>
      </form>
      {failure && (
        <div role="alert" className="mt-4 text-loss">
          {failure}
          <ul className="mt-1 text-[13px]">
            {job?.problems.slice(0, 8).map((problem) => (
              <li key={`${problem.line}${problem.field}${problem.message}`}>
                Line {problem.line}
                {problem.field && `, ${problem.field}`}: {problem.message}
              </li>
            ))}
          </ul>
        </div>
      )}
      <RemovedStores />
    </div>
  );
}

async function follow(id: string, show: (job: Job) => void): Promise<Job> {
  for (;;) {
    const job = await ask("GET /api/jobs/{job}", { params: { job: id } });
    show(job);
    if (job.state !== "running") return job;
    await new Promise((done) => setTimeout(done, 200));
  }
}

function Labelled({ label, ...rest }: { label: string } & ComponentProps<"input">) {
  return (
    <label className="flex flex-col gap-1 text-[13px] font-semibold">
      {label}
      <TextInput className="font-normal" isTall {...rest} />
    </label>
  );
}
