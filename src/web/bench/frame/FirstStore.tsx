import type { Job } from "@contract/feed";
import { Button } from "@ui/Button";
import { TextInput } from "@ui/controls";
import { ask, sayError, sendFile } from "@ui/http";
import { type FormEvent, useState } from "react";
import { useNavigate } from "react-router";
import { useBenchParts } from "../state/bench";
import { Mark } from "./TopBar";

/** The first screen of an installation without a store: make one and bring its products in. */
export function FirstStore() {
  const navigate = useNavigate();
  const { loadStores } = useBenchParts("loadStores");
  const [file, setFile] = useState<File | null>(null);
  const [job, setJob] = useState<Job | null>(null);
  const [failure, setFailure] = useState<string | null>(null);

  const begin = async (event: FormEvent<HTMLFormElement>) => {
    event.preventDefault();
    const form = new FormData(event.currentTarget);
    if (!file) return setFailure("Choose the file with your products first.");
    setFailure(null);
    try {
      const text = (name: string) => String(form.get(name) ?? "");
      const store = await ask("POST /api/stores", { body: { name: text("name"), locale: text("locale"), currency: text("currency") } });
      const params = { store: store.id };
      const started = await sendFile("POST /api/stores/{store}/feed", { params, query: { name: file.name } }, file);
      const ended = await follow(started.job, setJob);
      if (ended.state === "done") {
        await loadStores();
        navigate(`/bench/${store.id}/catalogue/feed`);
      } else {
        await ask("DELETE /api/stores/{store}", { params });
        setFailure(ended.message);
      }
    } catch (error) {
      setFailure(sayError(error, "The file could not be sent."));
    }
  };
  const isRunning = job?.state === "running" && !failure;
  return (
    <div className="mx-auto max-w-[520px] px-6 py-16">
      <p className="mb-8 flex items-center gap-2 font-head text-[17px] font-bold">
        <Mark /> Clever Shelf
      </p>
      <h1 className="text-[26px]/8">Bring your products in</h1>
      <p className="mt-1 mb-5 text-soft">
        A table, JSON, JSON-LD or XML feed with any column names, plain or packed. What each column is gets worked out, and the shop can be
        searched at once.
      </p>
      <form onSubmit={begin} className="flex flex-col gap-3">
        <Labelled label="Name of the store" name="name" defaultValue="My shop" />
        <div className="grid grid-cols-2 gap-3">
          <Labelled label="Language of the catalogue" name="locale" defaultValue="en" />
          <Labelled label="Currency" name="currency" defaultValue="GBP" />
        </div>
        <label className="flex flex-col gap-1 text-[13px] font-semibold">
          File with products
          <TextInput
            type="file"
            accept=".csv,.tsv,.txt,.json,.jsonl,.ndjson,.jsonld,.xml,.rss,.atom,.gz"
            onChange={(event) => setFile(event.target.files?.[0] ?? null)}
            className="p-2 font-normal"
          />
        </label>
        <div className="flex items-center gap-3">
          <Button look="main" type="submit" disabled={isRunning}>
            Create the store
          </Button>
          {isRunning && <span role="status">{job.message} …</span>}
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

function Labelled({ label, name, defaultValue }: { label: string; name: string; defaultValue: string }) {
  return (
    <label className="flex flex-col gap-1 text-[13px] font-semibold">
      {label}
      <TextInput name={name} required defaultValue={defaultValue} className="font-normal" isTall />
    </label>
  );
}
