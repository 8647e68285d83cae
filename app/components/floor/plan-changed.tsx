import Box from "@mui/material/Box";
import Button from "@mui/material/Button";
import Typography from "@mui/material/Typography";
import { Form } from "react-router";

/** The coach changed the plan of a session that runs: loaded only when asked, and only once all that was logged is sent. */
export function PlanChanged({ canLoad }: { readonly canLoad: boolean }) {
  return (
    <Form method="post">
      <Box
        role="status"
        sx={{
          border: 2,
          borderColor: "kravo.warn",
          p: 1.5,
          mb: 1.5,
          display: "flex",
          gap: 1,
          alignItems: "center",
          flexWrap: "wrap",
        }}
      >
        <Typography sx={{ flexGrow: 1 }}>
          The plan was changed since this session began. What is logged stays.
        </Typography>
        <Button type="submit" variant="outlined" disabled={!canLoad}>
          Load the changes
        </Button>
      </Box>
    </Form>
  );
}
