# Completion of brumefall-cli for bash.
_brumefall_cli()
{
    local word="${COMP_WORDS[COMP_CWORD]}" before="${COMP_WORDS[COMP_CWORD-1]}" options=""
    if ((COMP_CWORD == 1)); then
        COMPREPLY=($(compgen -W "$(brumefall-cli --commands 2> /dev/null)" -- "$word"))
        return
    fi
    case "$before" in
        --table) options="notes plan verdicts" ;;
        --paper) options="a5 a6 b6" ;;
        --binding) options="left right top" ;;
        --words) options="written full short" ;;
        --voice) options="alone mixed" ;;
        --media) options="with without" ;;
    esac
    if [[ -z "$options" && "$word" == -* ]]; then
        options="$(brumefall-cli "${COMP_WORDS[1]}" --options 2> /dev/null)"
    fi
    if [[ -n "$options" ]]; then
        COMPREPLY=($(compgen -W "$options" -- "$word"))
    else
        COMPREPLY=($(compgen -f -- "$word"))
    fi
}
complete -o filenames -F _brumefall_cli brumefall-cli
