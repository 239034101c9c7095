# Shared by the scripts: installs what is missing, each step only when its inputs have changed.
cd "$(dirname "${BASH_SOURCE[0]}")/.."
stamps=var/stamps
mkdir -p "$stamps"
# Servers and their workers are started again and again: what is compiled once is kept.
unset PYTHONDONTWRITEBYTECODE

say() { printf '%s\n' "maqueta: $*" >&2; }

# Debian's packages, by what they are needed for, each with the command or file it brings.
declare -A debian=(
  [kernel]="/usr/lib/x86_64-linux-gnu/libGL.so.1=libgl1"
  [database_server]="/usr/sbin/mariadbd=mariadb-server"
  [recogniser]="/usr/bin/tesseract=tesseract-ocr /usr/share/tesseract-ocr/5/tessdata/eng.traineddata=tesseract-ocr-eng"
  [queue]="/usr/bin/redis-server=redis-server"
  [browser]="/usr/bin/chromium-headless-shell=chromium-headless-shell"
  [samples]="/usr/lib/x86_64-linux-gnu/libcairo.so.2=libcairo2
    /usr/share/opencascade/data/step/screw.step=occt-misc
    /usr/share/doc/gmsh-doc/doc/gmsh/demos/api/as1-tu-203.stp.gz=gmsh-doc"
)

# All that is missing is installed in one go: need_debian kernel browser ...
need_debian() {
  local missing=() purpose pair
  for purpose in "$@"; do
    for pair in ${debian[$purpose]}; do
      [ -e "${pair%%=*}" ] || missing+=("${pair##*=}")
    done
  done
  [ ${#missing[@]} -eq 0 ] && return 0
  local run=()
  if [ "$(id -u)" -ne 0 ]; then
    command -v sudo >/dev/null || { say "the Debian packages ${missing[*]} are missing; install them as root"; exit 1; }
    run=(sudo)
  fi
  say "installing Debian packages: ${missing[*]}"
  "${run[@]}" apt-get update -qq || { say "the package lists cannot be reached"; exit 1; }
  DEBIAN_FRONTEND=noninteractive "${run[@]}" apt-get install -y -qq --no-install-recommends "${missing[@]}" >/dev/null ||
    { say "the Debian packages ${missing[*]} could not be installed"; exit 1; }
}

# Runs a command when the digest of the named files differs from the last successful time. Of several that want it at
# the same moment one does it and the others wait.
when_changed() (
  name=$1 inputs=()
  shift
  while [ "$1" != -- ]; do inputs+=("$1"); shift; done
  shift
  exec {lock}>"$stamps/$name.lock"
  flock "$lock"
  digest=$(find "${inputs[@]}" -type f -print0 | sort -z | xargs -0 sha256sum | sha256sum)
  [ "$(cat "$stamps/$name" 2>/dev/null)" = "$digest" ] && exit 0
  "$@"
  printf '%s' "$digest" >"$stamps/$name"
)

need_python() {
  [ -x .venv/bin/python ] || rm -f "$stamps/python"
  when_changed python requirements.txt pyproject.toml -- install_python
}

install_python() {
  # Debian's own, where it can set up an environment: one that comes first on the path may be built without profiles.
  local python=/usr/bin/python3.11
  [ -x $python ] && [ -e /usr/lib/python3.11/ensurepip/__init__.py ] || python=$(command -v python3.11) ||
    { say "Python 3.11 is missing"; exit 1; }
  [ -x .venv/bin/python ] || "$python" -m venv .venv
  say "installing Python packages"
  # uv, locked like the rest, unpacks them side by side. Everything is locked, with what it needs.
  .venv/bin/python -m pip install --quiet --disable-pip-version-check --no-deps "$(grep '^uv==' requirements.txt)"
  local uv=(.venv/bin/uv pip)
  "${uv[@]}" install --quiet --python .venv --no-deps -r requirements.txt
  "${uv[@]}" check --quiet --python .venv || { say "requirements.txt is not complete: see uv pip check"; exit 1; }
  "${uv[@]}" install --quiet --python .venv --no-deps --no-build-isolation -e .
}

need_node() {
  command -v npm >/dev/null || { say "Node 20 with npm is missing"; exit 1; }
  [ -d frontend/node_modules ] || rm -f "$stamps/node"
  when_changed node frontend/package-lock.json -- install_node
}

install_node() {
  say "installing front-end packages"
  npm --prefix frontend ci --no-audit --no-fund --loglevel=error >/dev/null
}

need_frontend() {
  need_node
  [ -f frontend/dist/index.html ] || rm -f "$stamps/frontend"
  when_changed frontend frontend/src frontend/index.html frontend/public frontend/vite.config.ts frontend/package-lock.json -- build_frontend
}

build_frontend() {
  say "building the interface"
  npm --prefix frontend run --silent build >/dev/null
}
