# Completes nestplug's commands and options in bash; it asks the tool, whose help says the same.
_nestplug() {
    local word=${COMP_WORDS[COMP_CWORD]} before=${COMP_WORDS[COMP_CWORD-1]} command=${COMP_WORDS[1]}
    COMPREPLY=()
    if [ "$COMP_CWORD" -eq 1 ]; then
        COMPREPLY=($(compgen -W "$(nestplug --list-commands 2>/dev/null | cut -f1) --help --version" -- "$word"))
    elif [[ $before == --port ]]; then
        COMPREPLY=($(compgen -W "linux sim:- openxr" -- "$word"))
    elif [[ $word == -* ]]; then
        COMPREPLY=($(compgen -W "$(nestplug "$command" --list-options 2>/dev/null | cut -f1) --help" -- "$word"))
    fi
}
complete -o default -F _nestplug nestplug
