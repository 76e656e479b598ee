import { Button } from "@ui/Button";
import { day } from "@ui/format";
import { ask, sayError } from "@ui/http";
import { toast } from "@ui/toast";
import { useEffect, useState } from "react";
import { useNavigate } from "react-router";

type Kept = Awaited<ReturnType<typeof load>>;
const load = () => ask("GET /api/removed-stores", {});

/** Stores that were removed and are still kept, each with the way back. */
export function RemovedStores() {
  const navigate = useNavigate();
  const [kept, setKept] = useState<Kept>([]);
  useEffect(() => {
    void load().then(setKept, () => undefined);
  }, []);
  const restore = async (id: string) => {
    try {
      await ask("POST /api/removed-stores/{store}/restore", { params: { store: id } });
      await navigate(`/bench/${id}`);
    } catch (error) {
      toast.error(sayError(error, "The store could not be restored."));
    }
  };
  if (kept.length === 0) return null;
  return (
    <section aria-label="Removed stores" className="mt-10">
      <h2 className="text-[16px]/6">Removed stores</h2>
      <ul className="mt-1 border-t border-rule">
        {kept.map(({ id, name, goneAt }) => (
          <li key={id} className="flex min-h-9 items-center gap-3 border-b border-rule text-[13.5px]">
            <span className="min-w-0 flex-1 truncate">{name}</span>
            <span className="text-[12.5px] text-soft">kept until {day(goneAt)}</span>
            <Button onClick={() => void restore(id)} aria-label={`Restore ${name}`}>
              Restore
            </Button>
          </li>
        ))}
      </ul>
    </section>
  );
}
