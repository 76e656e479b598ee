import { Route, Routes } from "react-router";
import { FilterList } from "./FilterList";
import { OneFilter } from "./OneFilter";

/** The shopper's filters: all of them in their order, or one of them in full. */
export default function Filters() {
  return (
    <Routes>
      <Route index element={<FilterList />} />
      <Route path=":id" element={<OneFilter />} />
    </Routes>
  );
}
