import { build, checkNode, install } from "./prepare.mjs";
import { serve } from "./serve.mjs";

/** npm start: installs and builds what is missing, then serves. -- --port 4820 --data ./data */
checkNode();
await install();
build();
serve(process.argv.slice(2));
