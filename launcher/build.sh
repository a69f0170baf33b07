# Building: packages, styles, assemblies. Each is done anew only when what it is made of has changed.

export DOTNET_CLI_TELEMETRY_OPTOUT=1 DOTNET_NOLOGO=1 DOTNET_SKIP_FIRST_TIME_EXPERIENCE=1

quietly() {
  local log=$state/$1.log
  shift
  unlocked "$@" >"$log" 2>&1 || { tail -n 40 "$log" >&2; fail "that failed; the whole of it is in $log"; }
}

restore_npm() { say 'Fetching styles and scripts (npm)'; quietly npm npm ci --no-audit --no-fund; }
make_assets() { say 'Making styles'; quietly assets npm run assets; }
restore_nuget() { say 'Fetching libraries (NuGet)'; quietly restore dotnet restore --locked-mode Umbick.slnx; }

build_assets() {
  if packaged; then return 0; fi
  stamped npm "$(fingerprint package-lock.json)" restore_npm
  stamped assets "$(fingerprint package-lock.json package.json src/Umbick.Web/Pages src/Umbick.Web/Faces src/Umbick.Web/Styles)" make_assets
}

fetch_libraries() {
  if packaged; then return 0; fi
  stamped restore "$(fingerprint Directory.Packages.props Directory.Build.props locks)" restore_nuget
}

build_site() {
  if packaged; then return 0; fi
  build_assets
  fetch_libraries
  stamped site "$(site_print)" compile_site
}

site_print() { fingerprint src locks Directory.Build.props .editorconfig; }

compile_site() {
  say 'Building'
  compile src/Umbick.Web src/Umbick.Cli src/Umbick.Planner
  publish_site
}

# compile PROJECT…: builds them. One compiler goes on from project to project and is ended afterwards: to start one for each, with all
# that checks the code, takes three times as long.
compile() {
  local project
  for project in "$@"; do
    DOTNET_TieredPGO=0 quietly build dotnet build --no-restore -c Release -p:UseSharedCompilation=true "$project"
  done
  unlocked dotnet build-server shutdown --vbcscompiler >/dev/null 2>&1 || true
}

# What runs is a published copy: its scripts, styles and fonts are compressed, and named by what is in them.
publish_site() { quietly publish dotnet publish --no-build -c Release src/Umbick.Web; }

# In the caller's folder: what they name is told from there. A school's verbs are over soon: they are compiled step by step.
cli_assembly="$root/artifacts/bin/Umbick.Cli/release/Umbick.Cli.dll"
cli() { (cd "$caller" && DOTNET_TieredCompilation=1 exec dotnet "$cli_assembly" "$@" 9>&-); }
