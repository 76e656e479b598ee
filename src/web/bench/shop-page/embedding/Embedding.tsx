import type { Embedding } from "@contract/embedding";
import { Button, IconButton } from "@ui/Button";
import { TextLine } from "@ui/controls";
import { ask, type HttpError, sayError } from "@ui/http";
import { toast } from "@ui/toast";
import { X } from "lucide-react";
import { useState } from "react";
import { Answered } from "../../ask/Answered";
import { answers } from "../../ask/client";
import { keyOf, useAsk } from "../../ask/useAsk";
import { Empty, Screen, Section } from "../../frame/Screen";
import { useOpen } from "../../state/bench";
import { Copy } from "./Copy";
import { SnippetForm } from "./SnippetForm";

const LEAD = "Search box, filters, results and related products in any page. What is set here holds at once: it is no part of a release.";

const ROUTE = "GET /api/stores/{store}/embedding";

/** The public key, the pages that may use it, and what they include. */
export default function EmbeddingScreen() {
  const embedding = useAsk(ROUTE, {}, { of: "store" });
  return (
    <Screen title="Embedding" lead={LEAD}>
      <Answered of={embedding}>{(known) => <Parts embedding={known} />}</Answered>
    </Screen>
  );
}

function Parts({ embedding }: { embedding: Embedding }) {
  const { store } = useOpen("store");
  const params = { store: store.id };
  const [failure, setFailure] = useState<string | null>(null);
  const take = (next: Embedding) => {
    answers.setQueryData(keyOf(ROUTE, store.id, null, {}), next);
    setFailure(null);
  };
  const save = (origins: string[]) =>
    ask("PUT /api/stores/{store}/embedding", { params, body: { origins }, headers: { "if-match": embedding.tag } }).then(
      take,
      (error: HttpError) => {
        setFailure(error.errors[0]?.message ?? error.message);
        // Somebody else was faster: their list is shown, below the words that say so.
        if (error.status === 409) void answers.invalidateQueries({ queryKey: keyOf(ROUTE, store.id, null, {}) });
      },
    );
  const renew = async () => {
    try {
      take(await ask("POST /api/stores/{store}/embedding/key", { params }));
      toast.success("Pages with the old key find nothing until they have the new one.");
    } catch (error) {
      toast.error(sayError(error));
    }
  };
  return (
    <>
      <Section title="Public key" note="it opens what is live, and nothing else">
        <div className="flex items-center gap-2 border-t border-rule pt-2 text-[13px]">
          <code className="min-w-0 flex-1 truncate rounded border border-rule bg-raised px-2 py-1">{embedding.key}</code>
          <Copy text={embedding.key} label="Copy the key" />
          <Button look="loss" onClick={() => void renew()} title="The old key opens nothing any more">
            Make another
          </Button>
        </div>
      </Section>
      <Section title="Pages that may use it" note="this server's own always may">
        <div className="border-t border-rule text-[13px]">
          {embedding.origins.length === 0 && <Empty>No page elsewhere may use the key yet. Name the shop's address first.</Empty>}
          <ul>
            {embedding.origins.map((origin) => (
              <li key={origin} className="flex h-9 items-center border-b border-rule">
                <code className="flex-1">{origin}</code>
                <IconButton label={`Forget ${origin}`} onClick={() => void save(embedding.origins.filter((other) => other !== origin))}>
                  <X className="size-4" />
                </IconButton>
              </li>
            ))}
          </ul>
          <div className="mt-2 flex items-center gap-2">
            <TextLine
              key={embedding.origins.length}
              label="Address of a page that may use the key"
              value=""
              placeholder="https://shop.example"
              onCommit={(text) => text.trim() && void save([...embedding.origins, originOf(text.trim())])}
              className="w-64"
            />
            <span className="text-[12.5px] text-soft">Enter adds it.</span>
          </div>
          {failure && (
            <p role="alert" className="mt-1 text-loss">
              {failure}
            </p>
          )}
        </div>
      </Section>
      <SnippetForm publicKey={embedding.key} server={embedding.server ?? location.origin} />
    </>
  );
}

/** The origin of an address that was pasted whole; what is no address is left for the server to refuse. */
function originOf(text: string): string {
  return URL.canParse(text) ? new URL(text).origin : text;
}
