using System.CommandLine;
using Umbick.Cli;

var root = new RootCommand("The launcher's verbs that need the job's own rules. Start them through ./umbick.");

var demo = new Option<bool>("--demo") { Description = "Mark the database as a demonstration and fill it." };
var prepare = new Command("prepare", "Brings the database up to date.") { demo };
prepare.SetAction((parsed, cancel) => Prepare.Run(parsed.GetValue(demo)));
root.Subcommands.Add(prepare);

var path = new Argument<string>("path") { Description = "The file to make, unless it is there." };
var certificate = new Command("certificate", "Makes the certificate that wraps the site's cookie keys.") { path };
certificate.SetAction(parsed => KeyCertificate.Make(parsed.GetRequiredValue(path)));
root.Subcommands.Add(certificate);

var signIn = new Command("demo-sign-in", "Prints how to sign in to the demonstration.");
signIn.SetAction(_ => Prepare.PrintSignIn());
root.Subcommands.Add(signIn);

var file = new Argument<string>("file") { Description = "Answers in CSV." };
var html = new Option<bool>("--html") { Description = "Makes a page instead of JSON." };
var dryRun = new Option<bool>("--dry-run") { Description = "Only checks the file." };
var diagnose = new Command("diagnose", "Says what the answers in a file say, child by child.") { file, html, dryRun };
diagnose.SetAction((parsed, cancel) => Diagnose.Run(parsed.GetRequiredValue(file), parsed.GetValue(html), parsed.GetValue(dryRun)));
root.Subcommands.Add(diagnose);

var seed = new Option<int>("--seed") { Description = "The same seed and the same input give the same output.", DefaultValueFactory = _ => 1 };
var sitting = new Command("sitting", "Asks over standard output and takes answers over standard input, one JSON object a line.") { seed };
sitting.SetAction(parsed => PlaySittings.Run(parsed.GetValue(seed)));
root.Subcommands.Add(sitting);

var report = new Option<bool>("--report") { Description = "Fixed forms, 24 items and the oracle too." };
var children = new Option<int>("--children") { Description = "How many children a row.", DefaultValueFactory = _ => 200 };
var away = new Option<bool>("--away") { Description = "Children who are not made by the model's own rules." };
var oracle = new Option<bool>("--oracle") { Description = "Away: whoever knows the children, beside it." };
var heldOut = new Option<bool>("--held-out") { Description = "Away: the variants too that no figure was chosen with." };
var practice = new Option<bool>("--practice") { Description = "Items to mastery by practice sets, and by sets drawn at random." };
var decisions = new Option<bool>("--decisions") { Description = "How often each rule of deciding is wrong." };
var simulate = new Command("simulate", "Tries the model on simulated children.") { report, away, oracle, heldOut, practice, decisions, children, seed };
simulate.SetAction(parsed => parsed.GetValue(decisions)
    ? SimulateDecisions.Run(parsed.GetValue(children), parsed.GetValue(seed))
    : parsed.GetValue(practice)
    ? SimulatePractice.Run(parsed.GetValue(children), parsed.GetValue(seed))
    : parsed.GetValue(away)
    ? SimulateAway.Run(parsed.GetValue(children), parsed.GetValue(seed), parsed.GetValue(oracle), parsed.GetValue(heldOut))
    : Simulate.Run(parsed.GetValue(report), parsed.GetValue(children), parsed.GetValue(seed)));
root.Subcommands.Add(simulate);

return await root.Parse(args).InvokeAsync();
