import { Button } from "@ui/Button";
import { ask, sayError } from "@ui/http";
import { toast } from "@ui/toast";
import { useState } from "react";
import { useBenchParts, useOpen } from "../state/bench";

const LINE = "flex shrink-0 items-center gap-4 border-b border-rule bg-raised px-4 py-2 text-[13px]";

/** What of the store is damaged: what the shop does meanwhile, and how to go on. */
export function RepairLine() {
  const { store } = useOpen("store");
  return (
    <>
      {store.damage && (
        <div role="alert" className={LINE}>
          <p className="min-w-0 flex-1">
            <strong className="text-loss">Something that is kept was damaged.</strong> {store.damage}
          </p>
        </div>
      )}
      {store.repair && <DraftLine {...store.repair} />}
    </>
  );
}

/** Says that the draft cannot be read, and how it is started anew. */
function DraftLine({ why, release }: { why: string; release: number | null }) {
  const { store } = useOpen("store");
  const { reload } = useBenchParts("reload");
  const [isSending, setSending] = useState(false);
  const standIn = release === null ? "the usual settings" : `release ${release}`;
  const start = async () => {
    setSending(true);
    await ask("POST /api/stores/{store}/draft/anew", { params: { store: store.id } })
      .then(reload)
      .catch((error: unknown) => toast.error(sayError(error)));
    setSending(false);
  };
  return (
    <div role="alert" className={LINE}>
      <p className="min-w-0 flex-1">
        <strong className="text-loss">The draft of this store cannot be read.</strong> {why} The shop goes on with {standIn}; nothing can be
        changed until the draft is started anew from there. What is kept of it now stays in the database.
      </p>
      <Button look="main" disabled={isSending} onClick={() => void start()}>
        Start the draft from {standIn}
      </Button>
    </div>
  );
}
