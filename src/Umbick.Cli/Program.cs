using System.CommandLine;
using Umbick.Cli;
using Umbick.Cli.Running;
using Umbick.Cli.School;
using Umbick.Cli.Testing;

var root = new RootCommand("The launcher's verbs that need the job's own rules. Start them through ./umbick.");

var demo = new Option<bool>("--demo") { Description = "Mark the database as a demonstration and fill it." };
var mend = new Option<bool>("--mend") { Description = "Correct rows that break a rule of this version." };
var prepare = new Command("prepare", "Brings the database up to date.") { demo, mend };
prepare.SetAction((parsed, cancel) => Prepare.Run(parsed.GetValue(demo), parsed.GetValue(mend)));
root.Subcommands.Add(prepare);

var path = new Argument<string>("path") { Description = "The file to make, unless it is there." };
var certificate = new Command("certificate", "Makes the certificate that wraps the site's cookie keys.") { path };
certificate.SetAction(parsed => KeyCertificate.Make(parsed.GetRequiredValue(path)));
root.Subcommands.Add(certificate);

var signIn = new Command("demo-sign-in", "Prints how to sign in to the demonstration.");
signIn.SetAction(_ => Prepare.PrintSignIn());
root.Subcommands.Add(signIn);

var file = new Argument<string>("file") { Description = "The file." };
var html = new Option<bool>("--html") { Description = "Makes a page instead of JSON." };
var dryRun = new Option<bool>("--dry-run") { Description = "Only checks the file." };
var diagnose = new Command("diagnose", "Says what the answers in a file say, child by child.") { file, html, dryRun };
diagnose.SetAction((parsed, cancel) => Diagnose.Run(parsed.GetRequiredValue(file), parsed.GetValue(html), parsed.GetValue(dryRun)));
root.Subcommands.Add(diagnose);

var seed = new Option<int>("--seed")
{
    Description = "The same seed and the same input give the same output.",
    DefaultValueFactory = _ => 1
};
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
var simulate = new Command("simulate", "Tries the model on simulated children.") { report, away, oracle, heldOut, practice, decisions,
    children, seed };
simulate.SetAction(parsed => parsed.GetValue(decisions)
    ? SimulateDecisions.Run(parsed.GetValue(children), parsed.GetValue(seed))
    : parsed.GetValue(practice)
    ? SimulatePractice.Run(parsed.GetValue(children), parsed.GetValue(seed))
    : parsed.GetValue(away)
    ? SimulateAway.Run(parsed.GetValue(children), parsed.GetValue(seed), parsed.GetValue(oracle), parsed.GetValue(heldOut))
    : Simulate.Run(parsed.GetValue(report), parsed.GetValue(children), parsed.GetValue(seed)));
root.Subcommands.Add(simulate);

var school = new Option<string?>("--school") { Description = "The school's name; needed where there are several." };
var schoolName = new Option<string?>("--name") { Description = "The school's name." };
var zone = new Option<string?>("--zone") { Description = "Its time zone, such as Europe/London." };
var teacher = new Option<string?>("--teacher") { Description = "The teacher's name, as colleagues know it." };
var userName = new Option<string?>("--user-name") { Description = "What they sign in with." };
var inCharge = new Option<bool>("--in-charge") { Description = "Whether they see to the school's people and records." };
var newSchool = new Command("new-school", "Makes a school with its first teacher, who is in charge.") { schoolName, zone, teacher,
    userName };
newSchool.SetAction((parsed, cancel) =>
    NewPeople.NewSchool(parsed.GetValue(schoolName), parsed.GetValue(zone), parsed.GetValue(teacher), parsed.GetValue(userName)));
root.Subcommands.Add(newSchool);
var addTeacher = new Command("add-teacher", "Adds a teacher to a school.") { school, teacher, userName, inCharge };
addTeacher.SetAction((parsed, cancel) =>
    NewPeople.AddTeacher(parsed.GetValue(school), parsed.GetValue(teacher), parsed.GetValue(userName), parsed.GetValue(inCharge)));
root.Subcommands.Add(addTeacher);
var lockedOut = new Argument<string>("name") { Description = "What they sign in with." };
var address = new Option<string?>("--address") { Description = "Where the site is reached." };
var secondStep = new Option<bool>("--second-step") { Description = "Turn their second step off, in place of making a link." };
var letIn = new Command("let-in", "Makes a link that lets somebody in again.") { lockedOut, address, secondStep };
letIn.SetAction((parsed, cancel) => parsed.GetValue(secondStep)
    ? NewPeople.SecondStepOff(parsed.GetRequiredValue(lockedOut))
    : NewPeople.LetIn(parsed.GetRequiredValue(lockedOut), parsed.GetValue(address)));
root.Subcommands.Add(letIn);

var keep = new Option<int?>("--keep") { Description = "In a folder: how many backups are kept, the latest." };
var newFolder = new Option<bool>("--new-folder") { Description = "Begin a folder of backups." };
var backup = new Command("backup", "Makes a backup while the site goes on.") { file, keep, newFolder };
backup.SetAction((parsed, cancel) => Backup.Make(parsed.GetRequiredValue(file), parsed.GetValue(keep), parsed.GetValue(newFolder)));
root.Subcommands.Add(backup);
var replace = new Option<bool>("--replace") { Description = "Put it in the place of a database that holds a school." };
var asItWas = new Option<bool>("--as-it-was") { Description = "Leave it as it was made, for the version that made it." };
var restore = new Command("restore", "Puts a backup in the place of the database.") { file, replace, asItWas, mend };
restore.SetAction((parsed, cancel) =>
    Restore.Run(parsed.GetRequiredValue(file), parsed.GetValue(replace), parsed.GetValue(asItWas), parsed.GetValue(mend)));
root.Subcommands.Add(restore);
var checkBackup = new Command("check-backup", "Restores a backup into a database that is thrown away, and counts.") { file };
checkBackup.SetAction((parsed, cancel) => Backup.Check(parsed.GetRequiredValue(file)));
root.Subcommands.Add(checkBackup);
var dropReplaced = new Command("drop-replaced", "Drops what restore has put aside.");
dropReplaced.SetAction((parsed, cancel) => Replaced.DropAll());
root.Subcommands.Add(dropReplaced);
var recover = new Command("recover", "Clears away what a restore that was killed has left.");
recover.SetAction((parsed, cancel) => Restore.Recover());
root.Subcommands.Add(recover);
var well = new Command("well", "Says whether all is well.");
well.SetAction((parsed, cancel) => Well.Run());
root.Subcommands.Add(well);

var onCaseload = new Option<bool>("--caseload") { Description = "Put children who are new to the school on the caseload." };
var import = new Command("import", "Takes answers or children in from CSV, whole or not at all.") { file, school, dryRun, onCaseload };
import.SetAction((parsed, cancel) =>
    InAndOut.Import(parsed.GetRequiredValue(file), parsed.GetValue(school), parsed.GetValue(dryRun), parsed.GetValue(onCaseload)));
root.Subcommands.Add(import);
var what = new Argument<string>("what") { Description = "answers or children.", DefaultValueFactory = _ => "answers" };
what.AcceptOnlyFromAmong("answers", "children");
var export = new Command("export", "Writes answers or children as CSV to standard output.") { what, school };
export.SetAction((parsed, cancel) => InAndOut.Export(parsed.GetRequiredValue(what), parsed.GetValue(school)));
root.Subcommands.Add(export);

var tls = new Option<string?>("--certificate") { Description = "The certificate, PEM, with its chain." };
var tlsKey = new Option<string?>("--key") { Description = "Its key, PEM." };
var proxy = new Option<string?>("--proxy") { Description = "The address of the proxy that the site stands behind." };
var hosts = new Option<string[]>("--host") { Description = "A name by which the site is reached.", DefaultValueFactory = _ => [] };
var port = new Option<int?>("--port") { Description = "The port." };
var startPlan = new Command("start-plan", "Says how a site is to be started.") { tls, tlsKey, proxy, hosts, port };
startPlan.SetAction((parsed, cancel) =>
    StartPlan.Run(parsed.GetValue(tls), parsed.GetValue(tlsKey), parsed.GetValue(proxy), parsed.GetValue(hosts) ?? [],
        parsed.GetValue(port)));
root.Subcommands.Add(startPlan);

var mayStart = new Command("may-start", "Whether a school's site may start on this database.");
mayStart.SetAction((parsed, cancel) => StartChecks.MayStart());
root.Subcommands.Add(mayStart);

var clone = new Option<string>("--root") { Description = "The folder of this clone.", Required = true };
var siteName = new Argument<string>("name") { Description = "What the site is for." };
var urls = new Option<string>("--urls") { Description = "Where it listens.", Required = true };
var asked = new Option<string>("--ask") { Description = "Where this machine asks whether it is ready.", Required = true };
var notes = new Option<string[]>("--note")
{
    Description = "A file of the state folder, written once it is ready: NAME=CONTENT.",
    DefaultValueFactory = _ => []
};
var says = new Option<string>("--say") { Description = "What is said once it is ready.", Required = true };
var cluster = new Option<string?>("--cluster") { Description = "The folder of its database; none where it is somebody else's." };
var startDatabase = new Option<string[]>("--start-database")
{
    Description = "The command that starts the database, word by word.",
    DefaultValueFactory = _ => []
};
var serve = new Command("serve", "Runs the site until it ends.") { siteName, clone, urls, asked, notes, says, cluster, startDatabase };
serve.SetAction((parsed, cancel) =>
    new SiteRun(parsed.GetRequiredValue(clone), parsed.GetRequiredValue(siteName),
        parsed.GetValue(cluster) is { } folder ? new Cluster(folder, parsed.GetValue(startDatabase)!) : null)
    .Run(parsed.GetRequiredValue(urls), parsed.GetRequiredValue(asked), parsed.GetValue(notes)!, parsed.GetRequiredValue(says), cancel));
root.Subcommands.Add(serve);

var browsers = new Option<int>("--browsers")
{
    Description = "How many classes of the web's tests run at a time.",
    DefaultValueFactory = _ => 3
};
var test = new Command("test", "Runs every test there is.") { clone, browsers };
test.SetAction((parsed, cancel) => TestRun.Run(parsed.GetRequiredValue(clone), parsed.GetValue(browsers), cancel));
root.Subcommands.Add(test);

// A site that is told to end lets its visitors finish first.
return await root.Parse(args).InvokeAsync(new InvocationConfiguration { ProcessTerminationTimeout = TimeSpan.FromMinutes(1) });
