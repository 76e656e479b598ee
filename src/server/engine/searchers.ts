import type { Index } from "@core/index/types";
import { holdsAt, prepare, type Searcher } from "@core/prepare/searcher";
import type { Source } from "@core/search/request";
import type { Settings } from "@core/settings/schema";
import type { Searching } from "./view";

/** What is live: a release, or before the first one what a fresh catalogue starts from. */
export interface Live {
  release: number | null;
  settings: Settings;
  /** Of the draft that it was made of. */
  revision: number;
}

/** Where searchers find what they are made of, as it is at the moment. */
interface Parts {
  readonly index: Index;
  readonly timeZone: string;
  readonly draft: { settings: Settings; revision: number };
  readonly live: Live;
  /** @throws where there is no such release. */
  released(number: number): Live;
}

const MOST_OLD = 4;

/** The searchers of a store: one for each state of its settings that is asked for, made when it is. */
export class Searchers {
  private draft: Searcher | null = null;
  private live: { release: number | null; searcher: Searcher } | null = null;
  private readonly old = new Map<number, Searching>();

  constructor(private readonly parts: Parts) {}

  of(source: Source): Searching {
    const { index, timeZone, draft } = this.parts;
    const moment = { at: Date.now(), timeZone };
    if (source === "draft") {
      const known = this.draft?.base === index ? this.draft : null;
      if (known?.settings !== draft.settings || !holdsAt(known, moment.at))
        this.draft = prepare(index, draft.settings, this.draft ?? undefined, moment);
      return { searcher: this.draft as Searcher, release: null, settings: draft.revision };
    }
    if (source === "live") {
      const { release, settings, revision } = this.parts.live;
      const known = this.live?.searcher.base === index && this.live.release === release ? this.live.searcher : null;
      if (!known || !holdsAt(known, moment.at)) this.live = { release, searcher: prepare(index, settings, this.live?.searcher, moment) };
      return { searcher: (this.live as { searcher: Searcher }).searcher, release, settings: revision };
    }
    return this.released(source.release, moment);
  }

  private released(number: number, moment: { at: number; timeZone: string }): Searching {
    const known = this.old.get(number);
    if (known?.searcher.base === this.parts.index) return known;
    const { settings, revision } = this.parts.released(number);
    const made = { searcher: prepare(this.parts.index, settings, undefined, moment), release: number, settings: revision };
    if (this.old.size >= MOST_OLD) this.old.delete([...this.old.keys()][0]);
    this.old.set(number, made);
    return made;
  }

  /** Lets go what was made of a catalogue that is no longer there. */
  forget(): void {
    this.draft = null;
    this.live = null;
    this.old.clear();
  }
}
