import { IconButton } from "@ui/Button";
import { X } from "lucide-react";
import { Dialog } from "radix-ui";
import { SHORTCUTS, type ShortcutId, sayKeys } from "./shortcuts";

const IDS = Object.keys(SHORTCUTS) as ShortcutId[];
const PLACES = [...new Set(IDS.map((id) => SHORTCUTS[id].where))];

/** All shortcuts in one list. */
export default function ShortcutList({ onClose }: { onClose: () => void }) {
  return (
    <Dialog.Root open onOpenChange={(next) => !next && onClose()}>
      <Dialog.Portal>
        <Dialog.Overlay className="fixed inset-0 z-40 bg-ink/30" />
        <Dialog.Content
          aria-describedby={undefined}
          className="fixed top-[12%] left-1/2 z-50 max-h-[80vh] w-[440px] max-w-[94vw] -translate-x-1/2 overflow-auto rounded-md border border-rule bg-raised p-5 text-ink shadow-lg"
        >
          <div className="flex items-center">
            <Dialog.Title className="flex-1 font-head text-[18px]/6 font-semibold">Keyboard</Dialog.Title>
            <Dialog.Close asChild>
              <IconButton label="Close">
                <X className="size-4" />
              </IconButton>
            </Dialog.Close>
          </div>
          {PLACES.map((place) => (
            <section key={place} aria-label={place} className="mt-3">
              <h3 className="border-b border-rule pb-1 text-[13px]">{place}</h3>
              <dl>
                {IDS.filter((id) => SHORTCUTS[id].where === place).map((id) => (
                  <Line key={id} does={SHORTCUTS[id].does} keys={sayKeys(id)} />
                ))}
                {place === "Shopper window" && <Line does="From the search into its results" keys="↓" />}
                {place === "A product in the results" && <Line does="Go to the next or the one before, above or below" keys="Arrows" />}
                {place === "A product in the results" && <Line does="Lift it, move it, and pin it there" keys="Space Arrows Space" />}
              </dl>
            </section>
          ))}
        </Dialog.Content>
      </Dialog.Portal>
    </Dialog.Root>
  );
}

function Line({ does, keys }: { does: string; keys: string }) {
  return (
    <div className="flex items-center gap-3 border-b border-rule py-1 text-[13px] last:border-b-0">
      <dt className="flex-1">{does}</dt>
      <dd className="flex gap-1">
        {keys.split(" ").map((key, i) => (
          <kbd key={`${key}${String(i)}`} className="rounded-[3px] border border-rule px-1.5 font-sans text-[12px]/[18px] text-soft">
            {key}
          </kbd>
        ))}
      </dd>
    </div>
  );
}
