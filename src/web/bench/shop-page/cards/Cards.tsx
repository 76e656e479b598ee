import { Route, Routes } from "react-router";
import { CardList } from "./CardList";
import { OneCard } from "./OneCard";

/** The cards of results: all of them, or one in full. */
export default function Cards() {
  return (
    <Routes>
      <Route index element={<CardList />} />
      <Route path=":id" element={<OneCard />} />
    </Routes>
  );
}
