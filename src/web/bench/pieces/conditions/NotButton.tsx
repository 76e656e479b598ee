import { Button } from "@ui/Button";

export function NotButton({ onPress }: { onPress: () => void }) {
  return (
    <Button look="bare" className="!px-1 !font-normal" title="Negate" onClick={onPress}>
      not
    </Button>
  );
}
