import { Button } from "@ui/Button";
import { TextInput } from "@ui/controls";
import { ask, sayError } from "@ui/http";
import { toast } from "@ui/toast";
import { useState } from "react";
import { useNavigate } from "react-router";
import { z } from "zod";
import { useEntryForm } from "../forms/useEntryForm";
import { Section } from "../frame/Screen";
import { useBenchParts, useOpen } from "../state/bench";

/** Takes the store away from shoppers and from the bench; it is kept for a while and can be restored. */
export function RemoveStore() {
  const { store } = useOpen("store");
  const [isOpen, setOpen] = useState(false);
  return (
    <Section title="Remove this store" note="it is kept for 30 days and can be restored">
      <div className="border-t border-rule pt-2 text-[13px]">
        {isOpen ? (
          <NameTyped onEnd={() => setOpen(false)} />
        ) : (
          <p className="flex items-center gap-3 text-soft">
            <span className="min-w-0 flex-1">Its shop answers nobody any more, and it leaves the bench.</span>
            <Button look="loss" onClick={() => setOpen(true)}>
              Remove {store.name} …
            </Button>
          </p>
        )}
      </div>
    </Section>
  );
}

function NameTyped({ onEnd }: { onEnd: () => void }) {
  const { store } = useOpen("store");
  const { stores, loadStores } = useBenchParts("stores", "loadStores");
  const navigate = useNavigate();
  const Typed = z.object({ name: z.string().refine((name) => name.trim() === store.name, `Type “${store.name}” to remove it.`) });
  const form = useEntryForm(Typed, { name: "" });
  const remove = async () => {
    try {
      await ask("DELETE /api/stores/{store}", { params: { store: store.id }, query: {} });
      toast.success(`${store.name} is removed. It can be restored for 30 days, from “New store”.`);
      await loadStores();
      return true;
    } catch (error) {
      toast.error(sayError(error, "The store could not be removed."));
      return false;
    }
  };
  const other = stores?.find(({ id }) => id !== store.id);
  const send = form.sendWith(remove, { onDone: () => void navigate(other ? `/bench/${other.id}` : "/bench/new") });
  return (
    <form onSubmit={send} className="flex flex-wrap items-end gap-2">
      <label className="flex min-w-[220px] flex-1 flex-col gap-0.5 text-[12.5px] text-soft">
        Type the name of the store to remove it
        <TextInput placeholder={store.name} autoComplete="off" isTall {...form.register("name")} />
      </label>
      <Button type="submit" look="main" disabled={form.why !== null} className="!h-8 !border-loss !bg-loss">
        Remove the store
      </Button>
      <Button onClick={onEnd} className="!h-8">
        Cancel
      </Button>
    </form>
  );
}
