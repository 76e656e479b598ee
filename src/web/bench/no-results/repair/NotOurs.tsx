import { Button } from "@ui/Button";
import { TextInput } from "@ui/controls";
import { type FormEvent, useState } from "react";
import { useOpen } from "../../state/bench";
import { ignoreSearch } from "./useRepair";

/** Puts a search aside that the shop has nothing for; why is kept. */
export function NotOurs({ text }: { text: string }) {
  const { store } = useOpen("store");
  const [reason, setReason] = useState("");
  const put = async (event: FormEvent) => {
    event.preventDefault();
    await ignoreSearch(store.id, text, reason.trim() || "not our range");
  };
  return (
    <form onSubmit={(event) => void put(event)} className="flex items-center gap-1.5">
      <TextInput
        aria-label={`Why ${text} is not repaired`}
        placeholder="not our range"
        value={reason}
        onChange={(event) => setReason(event.target.value)}
        className="flex-1"
      />
      <Button type="submit">Ignore</Button>
    </form>
  );
}
