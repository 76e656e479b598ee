import { Screen, Section } from "../../frame/Screen";
import { AddBlock } from "./AddBlock";
import { Arrangements } from "./Arrangements";
import { Behaviour } from "./Behaviour";
import { Moments } from "./Moments";

/** The panel's moments, arrangements to start from, blocks to add, and how the box behaves. */
export default function PanelScreen() {
  return (
    <Screen
      title="Panel"
      lead="What opens under the search box. Work on it in the window: drag, widen, name, count and switch blocks in place."
    >
      <Moments />
      <AddBlock />
      <Section title="Start from" note="all three moments at once; undo takes it back">
        <Arrangements />
      </Section>
      <Section title="How the box behaves">
        <Behaviour />
      </Section>
    </Screen>
  );
}
