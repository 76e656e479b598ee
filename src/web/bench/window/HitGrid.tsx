import type { ShopFront } from "@contract/search";
import type { Hit } from "@core/search/request";
import type { Layout } from "@core/settings/page/layout";
import { ruleFactor } from "@core/shelves/rule-factor";
import { closestCenter, DndContext, type DragEndEvent } from "@dnd-kit/core";
import { rectSortingStrategy, SortableContext, useSortable } from "@dnd-kit/sortable";
import { CSS } from "@dnd-kit/utilities";
import { memo, useDeferredValue, useMemo, useRef, useState } from "react";
import { Card } from "../../shop/card/Card";
import { gridOf, type Inset, withInset } from "../../shop/results/grid";
import { useDragSensors } from "../pieces/useDragSensors";
import { useOpen } from "../state/bench";
import { useWalk } from "../state/walk";
import { useWindowParts } from "../state/window";
import { Actions } from "./Actions";
import { Edge } from "./Edge";
import { JudgeOne } from "./JudgeOne";
import { type Movement, movementOf } from "./movement";
import { shelfActions } from "./shelf-actions";
import { useGlide } from "./useGlide";
import { useResultKeys } from "./useResultKeys";

/** The results as they are on the shelf. Dragging one to a place pins it there; by keyboard: space, arrows, space. */
export function HitGrid({ hits: all, layout, inset, isDraft }: { hits: Hit[]; layout: Layout; inset: Inset | null; isDraft: boolean }) {
  const hits = useFirstRows(all);
  const { front: draftFront, liveFront, settings } = useOpen("front", "liveFront", "settings");
  const front = isDraft ? draftFront : liveFront;
  const { live, asked, address } = useWindowParts("live", "asked", "address");
  const isJudging = useWalk((state) => state.isJudging) && address.query.trim() !== "";
  const ids = useMemo(() => hits.map((hit) => hit.id), [hits]);
  const list = useGlide<HTMLUListElement>(ids.join());
  const isLifted = useRef(false);
  const keys = useResultKeys(list, hits, isLifted);
  const sensors = useDragSensors();
  const drop = ({ active, over }: DragEndEvent) => {
    const target = hits.find((hit) => hit.id === over?.id);
    const moved = hits.find((hit) => hit.id === active.id);
    if (target && moved && target.id !== moved.id) shelfActions.pin(moved.id, target.position);
  };
  const announce = (id: string | number) => hits.find((hit) => hit.id === id);
  return (
    <DndContext
      sensors={sensors}
      collisionDetection={closestCenter}
      onDragStart={() => {
        isLifted.current = true;
      }}
      onDragEnd={(event) => {
        isLifted.current = false;
        drop(event);
      }}
      onDragCancel={() => {
        isLifted.current = false;
      }}
      accessibility={{
        screenReaderInstructions: {
          draggable: "Press space to lift the product, arrow keys to move it, space to pin it there, escape to cancel.",
        },
        announcements: {
          onDragStart: ({ active }) => `Lifted ${announce(active.id)?.title}.`,
          onDragOver: ({ over }) => (over ? `Over place ${announce(over.id)?.position}.` : undefined),
          onDragEnd: ({ active, over }) =>
            over ? `Pinned ${announce(active.id)?.title} at place ${announce(over.id)?.position}.` : "Left where it was.",
          onDragCancel: () => "Left where it was.",
        },
      }}
    >
      <SortableContext items={ids} strategy={rectSortingStrategy} disabled={!isDraft}>
        <ul ref={list} aria-busy={hits !== all} {...keys} {...gridOf(layout)}>
          {withInset(
            hits.map((hit) => (
              <Place
                key={hit.id}
                hit={hit}
                front={front}
                as={layout.as}
                isDraft={isDraft}
                isAsked={asked === hit.id}
                isJudging={isJudging}
                by={isDraft ? stepsOf(movementOf(hit.id, hit.position, live)) : 0}
                factor={factorOf(hit, settings)}
              />
            )),
            inset,
            (content) => (
              <li key=" inset">{content}</li>
            ),
          )}
        </ul>
      </SortableContext>
    </DndContext>
  );
}

/** As many as are in sight without scrolling. */
const IN_SIGHT = 9;

/** The new hits in sight at once; those further down follow in a turn of their own, and until then the ones that stood there stay. */
function useFirstRows(hits: Hit[]): Hit[] {
  const settled = useDeferredValue(hits);
  return useMemo(() => {
    if (settled === hits) return hits;
    const first = hits.slice(0, IN_SIGHT);
    const ids = new Set(first.map((hit) => hit.id));
    return [...first, ...settled.filter((hit) => !ids.has(hit.id)).slice(0, Math.max(0, hits.length - first.length))];
  }, [hits, settled]);
}

interface PlaceProps {
  hit: Hit;
  front: ShopFront;
  as: Layout["as"];
  isDraft: boolean;
  isAsked: boolean;
  isJudging: boolean;
  /** Places gained, or that it is new; a plain value, so that what did not move is not drawn again. */
  by: number | "new";
  factor: number | null;
}

const Place = memo(function Place({ hit, front, as, isDraft, isAsked, isJudging, by, factor }: PlaceProps) {
  const { attributes, listeners, setNodeRef, setActivatorNodeRef, transform, transition, isDragging } = useSortable({ id: hit.id });
  // The actions come with the pointer or the focus, and stay from then on.
  const [isNear, setNear] = useState(false);
  const handle = isDraft
    ? {
        ...attributes,
        ...listeners,
        "aria-roledescription": "product that can be pinned",
        "aria-label": `${hit.title}, place ${hit.position}`,
      }
    : {};
  return (
    <li
      ref={setNodeRef}
      data-product={hit.id}
      onPointerEnter={() => setNear(true)}
      onFocus={() => setNear(true)}
      style={{ transform: CSS.Translate.toString(transform), transition }}
      className={`group relative flex flex-col ${isDragging ? "z-20 bg-paper opacity-90 shadow-lg" : ""} ${isAsked ? "outline-2 outline-offset-4 outline-[#5b2a4e]" : ""}`}
    >
      <div className="group/card relative flex-1">
        <Card product={hit} front={front} as={as} />
        {/* Over the card, not around it: what can be pressed on a card stands above and is no part of the handle. */}
        {isDraft && (
          <div ref={setActivatorNodeRef} {...handle} data-handle={hit.id} className="absolute inset-0 z-[1] cursor-grab rounded-shop" />
        )}
      </div>
      <Edge hit={hit} front={front} movement={by === "new" ? "new" : by === 0 ? null : { by }} factor={factor} />
      {isJudging && <JudgeOne hit={hit} />}
      {isDraft && isNear && <Actions hit={hit} />}
    </li>
  );
});

function stepsOf(movement: Movement): number | "new" {
  return movement === null ? 0 : movement === "new" ? "new" : movement.by;
}

/** All boosts and burials of a hit multiplied, null when it has none. */
function factorOf(hit: Hit, settings: ReturnType<typeof useOpen>["settings"]): number | null {
  const factors = hit.arranged
    .filter(({ kind }) => kind === "boost" || kind === "bury")
    .map(({ rule }) => ruleFactor(settings, rule, hit.id));
  const all = factors.reduce((product, factor) => product * factor, 1);
  return factors.length === 0 || all === 1 ? null : all;
}
