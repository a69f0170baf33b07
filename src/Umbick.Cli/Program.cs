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

return await root.Parse(args).InvokeAsync();
