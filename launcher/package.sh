# ./umbick package: one archive of the published site with its own runtime, for machines without an SDK and without Node. Unpacked, it is a
# folder like this one in which every verb for a school works; only PostgreSQL comes from the machine.

# Whether this folder was unpacked from a package.
packaged() { [ -f "$root/package.version" ]; }

# In a package what runs it lies beside it.
if packaged; then export PATH="$root/runtime:$PATH" DOTNET_ROOT="$root/runtime"; fi

# not_packaged VERB: refuses what takes the source.
not_packaged() {
  if packaged; then fail "$1 takes the source: this folder is a package of version $(cut -d' ' -f1 "$root/package.version")."; fi
}

# package [FILE]: builds it and writes it; a folder gets a file named by the version.
package() {
  local to=${1:-.} version stage name file
  need_tools
  take_lock build wait
  build_site
  version=$(sed -n 's|.*<Version>\(.*\)</Version>.*|\1|p' Directory.Build.props)
  name="umbick-$version-linux-x64"
  case $to in /*) ;; *) to="$caller/$to" ;; esac
  if [ -d "$to" ]; then file="$to/$name.tar.gz"; else file=$to; fi
  [ -d "$(dirname "$file")" ] || fail "there is no folder $(dirname "$file")."
  stage="$state/package/$name"
  rm -rf "$state/package"
  mkdir -p "$stage/docs"
  say 'Packing'
  cp -r umbick launcher "$stage"
  cp docs/*.md "$stage/docs"
  cp README.md "$stage"
  copy_built artifacts/publish/Umbick.Web/release
  copy_built artifacts/bin/Umbick.Cli/release
  copy_built artifacts/bin/Umbick.Planner/release
  copy_runtime
  node launcher/licences.mjs "$stage" >"$stage/LICENCES.md"
  printf '%s %s\n' "$version" "$(this_version)" >"$stage/package.version"
  (cd "$stage" && find . -type f -print0 | sort -z | xargs -0 sha256sum) >"$state/package/sums"
  mv "$state/package/sums" "$stage/SHA256SUMS"
  # The same files make the same archive.
  tar --sort=name --owner=0 --group=0 --numeric-owner --mtime='2000-01-01 00:00Z' -C "$state/package" -cf - "$name" | gzip -n >"$file.part"
  mv "$file.part" "$file"
  (cd "$(dirname "$file")" && sha256sum "$(basename "$file")" >"$(basename "$file").sha256")
  rm -rf "$state/package"
  say "$file: $(stat -c %s "$file" | numfmt --to=si) bytes; its checksum is in $file.sha256"
}

# copy_built FOLDER: what was built there, without what only a debugger reads.
copy_built() {
  mkdir -p "$stage/$1"
  (cd "$1" && find . -type f -not -name '*.pdb' -not -name 'Umbick.*.xml' -print0 | xargs -0 cp --parents -t "$stage/$1")
}

# copy_runtime: the runtime that the site was built for, out of the SDK's own.
copy_runtime() {
  local from version
  from=$(dirname "$(readlink -f "$(command -v dotnet)")")
  version=$(dotnet --list-runtimes | sed -n 's/^Microsoft.AspNetCore.App \(10\.[0-9.]*\) .*/\1/p' | sort -V | tail -n 1)
  [ -n "$version" ] || fail 'the SDK has no ASP.NET Core runtime of .NET 10.'
  mkdir -p "$stage/runtime/host/fxr" "$stage/runtime/shared/Microsoft.NETCore.App" "$stage/runtime/shared/Microsoft.AspNetCore.App"
  cp "$from/dotnet" "$stage/runtime"
  cp -r "$from/host/fxr/$version" "$stage/runtime/host/fxr"
  cp -r "$from/shared/Microsoft.NETCore.App/$version" "$stage/runtime/shared/Microsoft.NETCore.App"
  cp -r "$from/shared/Microsoft.AspNetCore.App/$version" "$stage/runtime/shared/Microsoft.AspNetCore.App"
  for notice in LICENSE.txt ThirdPartyNotices.txt; do
    if [ -f "$from/$notice" ]; then cp "$from/$notice" "$stage/runtime"; fi
  done
}
