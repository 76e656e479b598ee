import { PARTS } from "../frame/screens";
import { Tabs } from "../frame/Tabs";
import { useOpen } from "../state/bench";

/** Single searches and categories arranged by hand, what is hidden in the whole shop, and recommendations. */
export default function Shelves() {
  const { store, settings } = useOpen("store", "settings");
  const { shelves, hides, boosts } = settings;
  const numbers = {
    all: Object.keys(shelves).length + Object.keys(hides).length + Object.keys(boosts).length,
    hidden: Object.keys(hides).length,
  };
  return <Tabs label="Shelves" base={`/bench/${store.id}/shelves`} tabs={PARTS.shelves} numbers={numbers} start="this-search" />;
}
