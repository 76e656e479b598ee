import { createContext, type ReactNode, useContext } from "react";

/** Where the shop's pages are. What leads nowhere, as in the bench, has no address. */
export interface Places {
  /** @param option the option that is shown of it. */
  product: (id: string, option?: string) => string | undefined;
  category: (path: readonly string[]) => string | undefined;
  guide: (id: string) => string | undefined;
  /** Goes to an address without loading the page anew; left out where that is the browser's business. */
  open?: (address: string) => void;
}

const NOWHERE: Places = { product: () => undefined, category: () => undefined, guide: () => undefined };
export const PlacesContext = createContext<Places>(NOWHERE);
export const usePlaces = () => useContext(PlacesContext);

export const categoryLink = (store: string, path: readonly string[]) => `/shop/${store}/category/${path.map(encodeURIComponent).join("/")}`;
export const productLink = (store: string, id: string, option = id) =>
  `/shop/${store}/product/${encodeURIComponent(id)}${option === id ? "" : `?option=${encodeURIComponent(option)}`}`;
export const guideLink = (store: string, id: string) => `/shop/${store}/guide/${encodeURIComponent(id)}`;

/** The pages of the demo shop. */
export const shopPlaces = (store: string, open: (address: string) => void): Places => ({
  product: (id, option) => productLink(store, id, option),
  category: (path) => categoryLink(store, path),
  guide: (id) => guideLink(store, id),
  open,
});

interface Props {
  /** The address; without one there is no link, but what it holds. */
  to: string | undefined;
  className?: string;
  part?: string;
  /** Lines after which a long text is cut. */
  lines?: number;
  onOpen?: () => void;
  children: ReactNode;
}

/** A link to a page of the shop. */
export function To({ to, className, part, lines, onOpen, children }: Props) {
  const { open } = usePlaces();
  const style = lines ? { WebkitLineClamp: lines } : undefined;
  if (to === undefined)
    return (
      <span className={className} part={part} style={style}>
        {children}
      </span>
    );
  return (
    <a
      href={to}
      part={part}
      className={className}
      style={style}
      onClick={(event) => {
        onOpen?.();
        if (!open || event.metaKey || event.ctrlKey || event.shiftKey || event.button !== 0) return;
        event.preventDefault();
        open(to);
      }}
    >
      {children}
    </a>
  );
}
