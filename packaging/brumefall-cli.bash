# Completion of brumefall-cli for bash: the program itself says what may stand here, else it is a file.
_brumefall_cli()
{
    local word="${COMP_WORDS[COMP_CWORD]}"
    mapfile -t COMPREPLY < <(brumefall-cli --complete "${COMP_WORDS[@]:1:COMP_CWORD}" 2> /dev/null)
    if ((${#COMPREPLY[@]} == 0)); then
        mapfile -t COMPREPLY < <(compgen -f -- "$word")
    fi
}
complete -o filenames -F _brumefall_cli brumefall-cli
