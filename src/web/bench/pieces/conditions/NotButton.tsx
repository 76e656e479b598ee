import { Button } from "@ui/Button";

export function NotButton({ onPress }: { onPress: () => void }) {
  return (
    <Button look="bare" className="!px-1 !font-normal" title="Turn it round" onClick={onPress}>
      not
    </Button>
  );
}
