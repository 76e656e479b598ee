import { Route, Routes } from "react-router";
import { ProductSheetPage } from "./ProductSheetPage";
import { ProductTable } from "./ProductTable";

/** The products: a table to find and change many, and a page for each. */
export default function Products() {
  return (
    <Routes>
      <Route index element={<ProductTable />} />
      <Route path=":product" element={<ProductSheetPage />} />
    </Routes>
  );
}
